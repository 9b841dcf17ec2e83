import { join } from 'node:path';
import { build } from 'esbuild';
import type * as client from './stageClient.ts';

declare global {
	var stageClient: typeof client;
}

/** A module with everything it needs as a script for a page, which puts its exports on `globalThis` under a name. */
export async function pageBundle(file: string, name: string): Promise<string> {
	const { outputFiles } = await build({
		entryPoints: [file],
		bundle: true,
		format: 'iife',
		globalName: `${name}Bundle`,
		footer: { js: `globalThis.${name} = ${name}Bundle;` },
		write: false
	});
	return outputFiles[0]?.text ?? '';
}

/** The stage's client, for driving stages without a screen. */
export const clientBundle = (): Promise<string> =>
	pageBundle(join(import.meta.dirname, 'stageClient.ts'), 'stageClient');
