import type { Plugin } from 'vite';

export function brotli(): Plugin;
