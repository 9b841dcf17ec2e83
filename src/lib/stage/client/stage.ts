import { releaseProxy, wrap, type Remote } from 'comlink';
import { READY, type StageHost } from '../protocol.ts';

/** How stages are reached: a pattern of hosts in which `{stage}` stands for a label, and the word the label ends with. */
export interface StageConfig {
	readonly pattern: string;
	readonly token: string;
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
	const tail = config.token ? `-${config.token}` : '';
	const host = config.pattern.replace('{stage}', `stage-${n}-s${site}${tail}`);
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

function connect(
	parent: HTMLElement,
	address: string,
	prefix: string,
	apart: boolean
): Promise<Stage | null> {
	const iframe = document.createElement('iframe');
	iframe.src = address;
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
		parent.append(iframe);
	});
}
