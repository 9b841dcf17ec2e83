import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vitest/config';
import { frontPlugin } from './scripts/front-plugin.ts';

export default defineConfig({
	plugins: [frontPlugin(), sveltekit()],
	build: { target: 'es2023', assetsInlineLimit: 0, chunkSizeWarningLimit: 2000 },
	worker: { format: 'es' },
	test: {
		include: ['src/**/*.test.ts', 'demo/*.test.ts'],
		testTimeout: 60_000,
		// No test changes what a module keeps for others; each file would load all modules again.
		isolate: false,
		maxWorkers: 2
	}
});
