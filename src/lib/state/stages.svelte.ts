import { proxy } from 'comlink';
import { z } from 'zod';
import { liveFrames } from '../stage/client/live.ts';
import { measuringQueue } from '../stage/client/queue.ts';
import { openStage, type StageConfig } from '../stage/client/stage.ts';
import type { Press } from './keys.ts';

// Compiled schemas would need `eval`, which the application's policy forbids.
z.config({ jitless: true });

/** What a stage says is checked like anything from outside. */
const frameKey = z.object({
	key: z.string().max(40),
	shift: z.boolean(),
	ctrl: z.boolean(),
	alt: z.boolean(),
	meta: z.boolean(),
	typing: z.boolean(),
	up: z.boolean()
});

/** Said once in the masthead where stages share the application's process. */
export const stageNotice = $state<{ sentence: string | null }>({ sentence: null });

export interface Stages {
	readonly prefix: string;
	readonly live: ReturnType<typeof liveFrames>;
	keepInStep(on: boolean): void;
	use(on: boolean): void;
	lightTable(on: boolean): void;
	readonly queue: ReturnType<typeof measuringQueue>;
	close(): void;
}

const TOGETHER =
	'This browser does not reach stage hosts (*.localhost): frames share the application’s process, so heavy pages may slow the typing, and addresses that begin with / are not found.';

/** Opens the stage of the live frames, and a queue whose stages open when something is to be measured. */
export async function openStages(
	parent: HTMLElement,
	site: number,
	config: StageConfig,
	onpress: (press: Press) => void,
	onopen: (href: string) => void
): Promise<Stages> {
	const stage = await openStage(parent, site, 0, config);
	stageNotice.sentence = stage.apart ? null : TOGETHER;
	await stage.host.listen(
		proxy({
			key(key: unknown) {
				const press = frameKey.safeParse(key);
				if (press.success) onpress(press.data);
			},
			open(href: unknown) {
				const read = z.string().max(4000).safeParse(href);
				if (read.success) onopen(read.data);
			}
		})
	);
	const rooms: HTMLElement[] = [];
	const measuring = stage.apart ? Math.max(1, Math.min(8, navigator.hardwareConcurrency - 1)) : 1;
	const queue = measuringQueue((n) => {
		const room = document.createElement('div');
		room.style.cssText = 'position:absolute;inset:0;visibility:hidden;pointer-events:none';
		parent.append(room);
		rooms.push(room);
		return openStage(room, site, n, config);
	}, measuring);
	return {
		prefix: stage.prefix,
		live: liveFrames(stage),
		keepInStep: (on) => void stage.host.keepInStep(on),
		use: (on) => void stage.host.use(on),
		lightTable: (on) => void stage.host.lightTable(on),
		queue,
		close() {
			queue.close();
			stage.close();
			for (const room of rooms) room.remove();
		}
	};
}
