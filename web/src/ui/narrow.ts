import { MediaQuery } from 'svelte/reactivity';

/** Whether the screen is as narrow as a phone's, where one column stands at a time. */
export const narrow = new MediaQuery('width <= 43.75rem');

/** Whether there is room for one row of buttons only: a phone, also lying down, or large letters. */
export const cramped = new MediaQuery('(width <= 43.75rem) or (height <= 30rem)');

/** Whether there is no room for a second column beside a list. */
export const oneColumn = new MediaQuery('width < 62.5rem');
