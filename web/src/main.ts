import { mount } from 'svelte';
import App from './app/App.svelte';
import './app/app.css';

const target = document.getElementById('app');
if (target) mount(App, { target });
