import { releaseProxy, wrap, type Remote } from 'comlink';
import { ASK_READY, READY, type StageHost } from '../protocol.ts';

/** How stages are reached: a pattern of hosts in which `{n}` and `{site}` stand for the stage's and the site's number. */
export interface StageConfig {
	readonly pattern: string;
}

export interface Stage {
	readonly host: Remote<StageHost>;
	readonly iframe: HTMLIFrameElement;
	/** What addresses of the site's files begin with on this stage; ends in a slash. */
	readonly prefix: string;
	/** False where the stage had to be opened at the application's own origin. */
	readonly apart: boolean;
	close(): void;
}

const HOST_PAGE = '.vantaggio/host.html';
/** How long a stage may take to come up, ms; and how long after its page has loaded (or failed to). */
const PATIENCE = 8000;
const AFTER_LOAD = 1500;

/** Opens a stage in a parent element: at an origin of its own, else at the application's. */
export async function openStage(
	parent: HTMLElement,
	site: number,
	n: number,
	config: StageConfig
): Promise<Stage> {
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
 * The stage that the server's own page has begun to load (`server/stage`) is taken where the browser can move
 * a frame without loading it anew.
 */
function connect(
	parent: HTMLElement,
	address: string,
	prefix: string,
	apart: boolean
): Promise<Stage | null> {
	const ahead = document.querySelector<HTMLIFrameElement>('iframe[data-ahead]');
	const taken = ahead?.src === address && 'moveBefore' in parent;
	if (!taken) ahead?.remove();
	const iframe = taken ? ahead : document.createElement('iframe');
	iframe.title = 'Page frames';
	const origin = new URL(address, location.href).origin;
	const channel = new MessageChannel();
	const host = wrap<StageHost>(channel.port1);
	return new Promise((resolve) => {
		let timer = setTimeout(giveUp, PATIENCE);
		const done = (stage: Stage | null): void => {
			clearTimeout(timer);
			removeEventListener('message', hear);
			resolve(stage);
		};
		function giveUp(): void {
			close();
			done(null);
		}
		function close(): void {
			host[releaseProxy]();
			channel.port1.close();
			iframe.remove();
		}
		function hear(event: MessageEvent): void {
			if (event.source !== iframe.contentWindow || event.origin !== origin || event.data !== READY) return;
			iframe.contentWindow?.postMessage(null, origin, [channel.port2]);
			done({ host, iframe, prefix, apart, close });
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
			// It may have said so before anybody listened; if it has not loaded yet, it will.
			iframe.contentWindow?.postMessage(ASK_READY, '*');
		} else {
			iframe.src = address;
			parent.append(iframe);
		}
	});
}
