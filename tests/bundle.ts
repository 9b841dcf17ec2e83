import { join } from 'node:path';
import { build } from 'esbuild';
import type * as client from './stageClient.ts';

declare global {
	var stageClient: typeof client;
}

/** The stage's client as a script that puts it on `globalThis.stageClient`, for driving stages without a screen. */
export async function clientBundle(): Promise<string> {
	const { outputFiles } = await build({
		entryPoints: [join(import.meta.dirname, 'stageClient.ts')],
		bundle: true,
		format: 'iife',
		globalName: 'stageClientBundle',
		footer: { js: 'globalThis.stageClient = stageClientBundle;' },
		write: false
	});
	return outputFiles[0]?.text ?? '';
}
