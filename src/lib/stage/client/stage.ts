import { releaseProxy, wrap, type Remote } from 'comlink';
import { ASK_READY, READY, type StageHost } from '../protocol.ts';

/**
 * How stages are reached: a pattern of hosts in which `{n}` and `{site}` stand for the stage's and the site's number.
 */
export interface StageConfig {
	readonly pattern: string;
}

/** The frame of a stage, and its port. */
export interface StageFrame {
	readonly port: MessagePort;
	readonly iframe: HTMLIFrameElement;
	/** The prefix of addresses of the site's files on this stage; ends in a slash. */
	readonly prefix: string;
	/** False where the stage had to be opened at the application's own origin. */
	readonly apart: boolean;
	/** Removes the frame; the owner of the port closes that. */
	close(): void;
}

/** A stage with its interface for questions. */
export interface Stage extends Omit<StageFrame, 'port'> {
	readonly host: Remote<StageHost>;
}

const HOST_PAGE = '.vantaggio/host.html';
/** How long a stage may take to start, ms; and how long after its page has loaded (or failed to). */
const PATIENCE = 8000;
const AFTER_LOAD = 1500;

/** Opens a stage in a parent element, and returns its interface. */
export async function openStage(...of: Parameters<typeof openStageFrame>): Promise<Stage> {
	const { port, ...frame } = await openStageFrame(...of);
	const host = wrap<StageHost>(port);
	return {
		...frame,
		host,
		close() {
			host[releaseProxy]();
			port.close();
			frame.close();
		}
	};
}

/** Opens the frame of a stage in a parent element: at an origin of its own, otherwise at the application's. */
export async function openStageFrame(
	parent: HTMLElement,
	site: number,
	n: number,
	config: StageConfig
): Promise<StageFrame> {
	const host = config.pattern.replace('{n}', String(n)).replace('{site}', String(site));
	const port = location.port ? `:${location.port}` : '';
	const apart = `${location.protocol}//${host}${port}/`;
	const here = `/stage/${site}/`;
	return (
		(await connect(parent, `${apart}${HOST_PAGE}`, '/', true)) ??
		(await connect(parent, here + HOST_PAGE, here, false)) ??
		fail()
	);
}

function fail(): never {
	throw new Error(
		'No stage answers: the frames cannot be shown. Reload the page; if that does not help, restart the server.'
	);
}

/**
 * The stage that the server's own page has begun to load (`server/stage`) is used where the browser can move a frame
 * without reloading it.
 */
function connect(
	parent: HTMLElement,
	address: string,
	prefix: string,
	apart: boolean
): Promise<StageFrame | null> {
	const ahead = document.querySelector<HTMLIFrameElement>('iframe[data-ahead]');
	const taken = ahead?.src === address && 'moveBefore' in parent;
	if (!taken) ahead?.remove();
	const iframe = taken ? ahead : document.createElement('iframe');
	iframe.title = 'Page frames';
	const origin = new URL(address, location.href).origin;
	const channel = new MessageChannel();
	return new Promise((resolve) => {
		let timer = setTimeout(giveUp, PATIENCE);
		const done = (stage: StageFrame | null): void => {
			clearTimeout(timer);
			removeEventListener('message', hear);
			resolve(stage);
		};
		const close = (): void => iframe.remove();
		function giveUp(): void {
			close();
			channel.port1.close();
			done(null);
		}
		function hear(event: MessageEvent): void {
			if (event.source !== iframe.contentWindow || event.origin !== origin || event.data !== READY) return;
			iframe.contentWindow?.postMessage(null, origin, [channel.port2]);
			done({ port: channel.port1, iframe, prefix, apart, close });
		}
		addEventListener('message', hear);
		iframe.addEventListener('load', () => {
			clearTimeout(timer);
			timer = setTimeout(giveUp, AFTER_LOAD);
		});
		if (taken) {
			iframe.removeAttribute('data-ahead');
			iframe.hidden = false;
			parent.moveBefore(iframe, null);
			// Its message may have come before anybody listened; if it has not loaded yet, it will send it.
			iframe.contentWindow?.postMessage(ASK_READY, '*');
		} else {
			iframe.src = address;
			parent.append(iframe);
		}
	});
}
