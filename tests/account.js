// Runs in the application's page before the application: keeps account of what was begun there and has not ended
// (requests to the server, questions to threads and stages, parts of the application that are loaded, timers, what is to
// be drawn), so that a test can wait for that instead of asking again and again.

/** @typedef {'answered' | 'measured'} Depth What is waited for: what is answered at once, or what is measured too. */

(() => {
	if (top !== self) return;
	/** Waits of so many ms are no part of what was asked for: they are for when nobody does anything. */
	const LONG = { answered: 400, measured: 1000 };
	/** What has not ended after so many ms hangs. */
	const HANGS = 120_000;
	/** How often the page is drawn, with nothing begun meanwhile, before it is taken to be at rest. */
	const DRAWN = 2;

	/** What has not ended, and for which depth it is waited. @type {Map<unknown, Depth>} */
	const pending = new Map();
	/** @type {Set<{ depth: Depth, resolve: () => void }>} */
	const waiting = new Set();
	const [soon, clearSoon] = [window.setTimeout.bind(window), window.clearTimeout.bind(window)];
	const [draw, cancelDraw] = [
		window.requestAnimationFrame.bind(window),
		window.cancelAnimationFrame.bind(window)
	];
	/** Rises with whatever begins or ends. */
	let changes = 0;

	/** @param {Depth} depth */
	const isBusy = (depth) => [...pending.values()].some((of) => of === 'answered' || depth === 'measured');
	/** @param {number} left @param {number} age */
	const confirm = (left, age) => {
		const ready = [...waiting].filter(({ depth }) => !isBusy(depth));
		if (age !== changes || ready.length === 0) return;
		if (left > 0) {
			draw(() => soon(() => confirm(left - 1, age)));
			return;
		}
		for (const one of ready) {
			waiting.delete(one);
			one.resolve();
		}
	};
	/** @param {unknown} of @param {Depth} depth */
	const begin = (of, depth = 'answered') => {
		changes++;
		pending.set(of, depth);
	};
	/** @param {unknown} of */
	const end = (of) => {
		if (!pending.delete(of)) return;
		changes++;
		if (waiting.size > 0) confirm(DRAWN, changes);
	};
	/** @template T @param {Promise<T>} work @param {unknown} of */
	const during = (work, of) => {
		const token = [of];
		begin(token);
		work.then(
			() => end(token),
			() => end(token)
		);
		return work;
	};

	Object.assign(window, {
		/** @param {TimerHandler} work @param {number} ms @param {unknown[]} rest */
		setTimeout(work, ms = 0, ...rest) {
			if (typeof work !== 'function' || ms >= LONG.measured) return soon(work, ms, ...rest);
			const id = soon(() => {
				try {
					work(...rest);
				} finally {
					end(`timer ${id}`);
				}
			}, ms);
			begin(`timer ${id}`, ms < LONG.answered ? 'answered' : 'measured');
			return id;
		},
		/** @param {number} id */
		clearTimeout(id) {
			clearSoon(id);
			end(`timer ${id}`);
		},
		/** @param {FrameRequestCallback} work */
		requestAnimationFrame(work) {
			const id = draw((at) => {
				try {
					work(at);
				} finally {
					end(`drawing ${id}`);
				}
			});
			begin(`drawing ${id}`);
			return id;
		},
		/** @param {number} id */
		cancelAnimationFrame(id) {
			cancelDraw(id);
			end(`drawing ${id}`);
		}
	});

	const ask = window.fetch.bind(window);
	window.fetch = (...asked) => during(ask(...asked), String(asked[0]));
	for (const name of /** @type {const} */ (['json', 'text', 'arrayBuffer', 'blob'])) {
		const read = /** @type {() => Promise<unknown>} */ (Response.prototype[name]);
		Object.assign(Response.prototype, {
			/** @this {Response} */
			[name]() {
				return during(read.call(this), this.url);
			}
		});
	}

	/** Questions to threads and stages have an id and a path, and their answers the id. @param {MessagePort | Worker} from @param {Depth} depth */
	const listenTo = (from, depth) => {
		/** @type {Set<string>} */
		const own = new Set();
		const send = from.postMessage.bind(from);
		const close = 'terminate' in from ? from.terminate.bind(from) : from.close.bind(from);
		/** What is closed answers nothing any more. */
		const closed = () => {
			close();
			for (const id of own) end(id);
		};
		Object.assign(from, {
			['terminate' in from ? 'terminate' : 'close']: closed,
			/** @param {{ id?: unknown, path?: unknown } | undefined} data @param {Transferable[]} transfer */
			postMessage(data, transfer = []) {
				if (typeof data?.id === 'string' && data.path) {
					own.add(data.id);
					begin(data.id, depth);
				}
				send(data, transfer);
			}
		});
		from.addEventListener('message', (event) => {
			const { data } = /** @type {MessageEvent<{ id?: unknown, path?: unknown } | undefined>} */ (event);
			if (typeof data?.id !== 'string' || data.path) return;
			own.delete(data.id);
			end(data.id);
		});
	};
	const Thread = window.Worker;
	window.Worker = class extends Thread {
		/** @param {string | URL} url @param {WorkerOptions} [options] */
		constructor(url, options) {
			super(url, options);
			listenTo(this, String(url).includes('measuring') ? 'measured' : 'answered');
		}
	};
	/** @type {WeakSet<MessagePort>} */
	const heard = new WeakSet();
	const { start } = MessagePort.prototype;
	MessagePort.prototype.start = function () {
		if (!heard.has(this)) listenTo(this, 'answered');
		heard.add(this);
		start.call(this);
	};

	/** A frame that is moved is not loaded anew. @type {WeakSet<Element>} */
	const framed = new WeakSet();
	/** @param {Element} element */
	const load = (element) => {
		// A part of the application is there when it has been run, not when it has come.
		if (element instanceof HTMLLinkElement && element.rel === 'modulepreload')
			during(import(element.href), element.href).catch(() => undefined);
		if (!(element instanceof HTMLIFrameElement) || framed.has(element)) return;
		framed.add(element);
		begin(element);
		element.addEventListener('load', () => end(element));
	};
	new MutationObserver((records) => {
		for (const { addedNodes, removedNodes } of records) {
			for (const node of addedNodes)
				if (node instanceof Element) for (const one of [node, ...node.querySelectorAll('iframe')]) load(one);
			for (const node of removedNodes)
				if (node instanceof Element && !node.isConnected)
					for (const one of [node, ...node.querySelectorAll('iframe')]) end(one);
		}
	}).observe(document, { childList: true, subtree: true });

	Object.assign(globalThis, {
		/** Ends when nothing is left that was begun; says what is left where that hangs. @param {Depth} depth */
		atRest: (depth) =>
			new Promise((resolve, reject) => {
				waiting.add({ depth, resolve: () => resolve(undefined) });
				soon(() => reject(new Error(`Not ended: ${JSON.stringify([...pending])}`)), HANGS);
				confirm(DRAWN, changes);
			})
	});
})();
