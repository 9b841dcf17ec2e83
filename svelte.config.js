import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ out: 'build' }),
		typescript: {
			config: (config) => {
				config.compilerOptions.allowImportingTsExtensions = true;
				return config;
			}
		},
		// Requests from elsewhere are refused in src/hooks.server.ts, for every body type.
		csrf: { trustedOrigins: ['*'] },
		csp: {
			mode: 'nonce',
			directives: {
				'default-src': ['none'],
				'script-src': ['self'],
				// The second is Kit's own announcer of page changes, which has a style attribute.
				'style-src': ['self', 'unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
				'img-src': ['self', 'data:'],
				'font-src': ['self'],
				'connect-src': ['self'],
				'worker-src': ['self'],
				'frame-src': ['self'],
				'base-uri': ['none'],
				'form-action': ['none'],
				'frame-ancestors': ['none']
			}
		}
	}
};
