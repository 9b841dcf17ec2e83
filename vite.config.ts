import { sveltekit } from '@sveltejs/kit/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';
import { frontPlugin } from './scripts/front-plugin.ts';

/** What several parts of the application need comes as one script, in place of many small ones. */
const sharedChunk: Plugin = {
	name: 'shared-chunk',
	configEnvironment: (environment) =>
		environment === 'client'
			? {
					build: {
						rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'shared', minShareCount: 2 }] } } }
					}
				}
			: {}
};

export default defineConfig({
	plugins: [frontPlugin(), sharedChunk, sveltekit()],
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
