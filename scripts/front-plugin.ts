import type { Plugin } from 'vite';
import { createFront, optionsFrom } from '../src/lib/server/front/front.ts';

/** Puts the front before Kit in the development server too. */
export const frontPlugin = (): Plugin => ({
	name: 'vantaggio-front',
	config: () => ({ server: { allowedHosts: true, host: '127.0.0.1', port: 4870 } }),
	configureServer(server) {
		server.middlewares.use(createFront(optionsFrom(process.env)));
	}
});
