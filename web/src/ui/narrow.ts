import { MediaQuery } from 'svelte/reactivity';

/** Whether the screen is as narrow as a phone's, where one column stands at a time. */
export const narrow = new MediaQuery('width <= 43.75rem');
