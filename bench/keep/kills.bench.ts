import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bring, Server } from '../../tests/server.ts';
import type { Bench } from '../bench.ts';

const KILLS = 60;

interface SiteReply {
	readonly revision: number;
	readonly files: readonly { readonly path: string; readonly hash: string; readonly text: string | null }[];
}

/**
 * Saves a site again and again while its server is killed at random moments; returns how many acknowledged saves are
 * lost.
 */
async function lost(): Promise<number> {
	const data = await mkdtemp(join(tmpdir(), 'vantaggio-bench-'));
	const server = new Server(data);
	let [gone, answered] = [0, 0];
	try {
		await server.start();
		const site = await bring(server, {
			'index.html': '<link rel=stylesheet href=a.css>',
			'a.css': 'a { }\n'
		});
		const read = async (): Promise<SiteReply> =>
			(await (await fetch(`${server.url}/api/sites/${site}`)).json()) as SiteReply;
		for (let kill = 0; kill < KILLS; kill++) {
			const { files } = await read();
			let base = files.find(({ path }) => path === 'a.css')?.hash ?? '';
			let committed: { revision: number; text: string } | undefined;
			let running = true;
			const saving = (async () => {
				for (let i = 0; running; i++) {
					const text = `a { --kill: ${kill}; --save: ${i} }\n${'/* filling */\n'.repeat(i * 40)}`;
					const reply = await fetch(`${server.url}/api/sites/${site}/save`, {
						method: 'POST',
						headers: { 'content-type': 'application/json' },
						body: JSON.stringify({ tab: 't', files: [{ path: 'a.css', base, text }] })
					}).catch(() => undefined);
					if (!reply?.ok) return;
					const saved = (await reply.json().catch(() => undefined)) as
						{ revision: number; files: { hash: string }[] } | undefined;
					if (!saved) return;
					committed = { revision: saved.revision, text };
					base = saved.files[0]?.hash ?? '';
					answered++;
				}
			})();
			await new Promise((resolve) => setTimeout(resolve, Math.random() * 1000));
			await server.kill();
			running = false;
			await saving;
			await server.start();
			if (!committed) continue;
			const now = await read();
			const text = now.files.find(({ path }) => path === 'a.css')?.text;
			// One more may have been stored than was acknowledged.
			if (
				now.revision < committed.revision ||
				(now.revision === committed.revision && text !== committed.text)
			)
				gone++;
		}
		if (answered < KILLS)
			throw new Error(`Only ${answered} saves were answered in ${KILLS} lives of the server.`);
		return gone / answered;
	} finally {
		await server.kill();
		await rm(data, { recursive: true, force: true });
	}
}

export const benches: readonly Bench[] = [
	{ name: `saves that were answered and are gone after ${KILLS} kills / all`, goal: { atMost: 0 }, run: lost }
];
