import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

/** The stage's host: one script of its own. */
export default defineConfig({
	resolve: { alias: { $lib: fileURLToPath(new URL('src/lib', import.meta.url)) } },
	build: {
		target: 'es2023',
		outDir: 'build/stage',
		emptyOutDir: true,
		copyPublicDir: false,
		lib: { entry: 'src/lib/stage/host/main.ts', formats: ['iife'], name: 'stage', fileName: () => 'host.js' }
	}
});
