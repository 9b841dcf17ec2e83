import { sveltekit } from '@sveltejs/kit/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';
import { frontPlugin } from './scripts/front-plugin.ts';

/** What is asked of the bundler about modules, by their ids. */
interface Modules {
	getModuleInfo(id: string): { readonly importers: readonly string[] } | null;
}

/** Whether a module comes with the first screen: a route imports it, or what a route imports, at once. */
function isFirst(id: string, modules: Modules): boolean {
	const seen = new Set([id]);
	for (const one of seen) {
		if (/\/src\/routes\/|\/\.svelte-kit\/generated\//.test(one)) return true;
		for (const importer of modules.getModuleInfo(one)?.importers ?? []) seen.add(importer);
	}
	return false;
}

/** What several parts of the application need comes as two scripts in place of many small ones: with the first screen, and later. */
const sharedChunks: Plugin = {
	name: 'shared-chunks',
	configEnvironment: (environment) =>
		environment === 'client'
			? {
					build: {
						rolldownOptions: {
							output: {
								codeSplitting: {
									groups: [
										{
											name: (id: string, modules: Modules) => (isFirst(id, modules) ? 'first' : 'later'),
											minShareCount: 2
										}
									]
								}
							}
						}
					}
				}
			: {}
};

export default defineConfig({
	plugins: [frontPlugin(), sharedChunks, sveltekit()],
	build: { target: 'es2023', assetsInlineLimit: 0, chunkSizeWarningLimit: 2000 },
	worker: { format: 'es' },
	test: {
		include: ['src/**/*.test.ts', 'demo/*.test.ts'],
		// To end what hangs, not to judge how fast a machine is.
		testTimeout: 600_000,
		// No test changes what a module keeps for others; each file would load all modules again.
		isolate: false,
		maxWorkers: 2
	}
});
