import type { Plugin } from 'vite';
import { dataFolder } from '../src/lib/server/dataFolder.ts';
import { createFront, withStageToken } from '../src/lib/server/front/front.ts';
import { takeFolder } from '../src/lib/server/front/lock.ts';
import { stageSalt } from '../src/lib/server/front/salt.ts';

/** Puts the front before Kit in the development server too. */
export const frontPlugin = (): Plugin => ({
	name: 'vantaggio-front',
	config: () => ({ server: { allowedHosts: true, host: '127.0.0.1', port: 4870 } }),
	configureServer(server) {
		const locked = takeFolder(dataFolder());
		if (!locked.ok) throw new Error(locked.sentence);
		server.middlewares.use(createFront(withStageToken(process.env, stageSalt(dataFolder()))));
	}
});
