import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { brotliCompressSync } from 'node:zlib';

/** Writes a Brotli twin beside every script and style; fonts are compressed already. */
export function brotli() {
  return {
    name: 'brotli',
    apply: 'build',
    closeBundle() {
      const folder = new URL('./dist/assets/', import.meta.url);
      for (const file of readdirSync(folder).filter((name) => /\.(js|css|svg)$/.test(name))) {
        const path = new URL(file, folder);
        writeFileSync(new URL(`${file}.br`, folder), brotliCompressSync(readFileSync(path)));
      }
    }
  };
}
