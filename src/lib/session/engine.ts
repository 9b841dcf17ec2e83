import { rememberedBy } from '../core/remember/index.ts';
import type { BrowserEngine } from '../inquiry/layout.ts';

const MOST_KNOWN = 20_000;
/** How many custom properties are registered in one document. */
const MOST_REGISTERED = 500;

/**
 * The browser's own judgement of declarations, through a style that belongs to no element: the frames run in the same
 * browser.
 */
export function engineOf(document: Document): BrowserEngine {
	const { style } = document.createElement('i');
	const set = (property: string, value: string): ReadonlyMap<string, string> | null => {
		style.cssText = '';
		style.setProperty(property, value);
		if (style.length === 0) return null;
		return new Map([...style].map((longhand) => [longhand, style.getPropertyValue(longhand)]));
	};
	/** The document in which custom properties are registered, for good: one of their own, replaced now and then. */
	let room: HTMLIFrameElement | undefined;
	let registered = 0;
	function roomFor(): Window & typeof globalThis {
		if (!room?.contentWindow || registered > MOST_REGISTERED) {
			room?.remove();
			registered = 0;
			room = document.createElement('iframe');
			room.style.cssText = 'position:fixed;width:0;height:0;border:0;visibility:hidden';
			room.setAttribute('aria-hidden', 'true');
			room.tabIndex = -1;
			document.body.append(room);
		}
		return room.contentWindow as Window & typeof globalThis;
	}
	/** Registers a new custom property; null where the initial value does not fit, or depends on an element. */
	const register = ({ CSS }: typeof globalThis, syntax: string, initialValue: string): string | null => {
		const name = `--vantaggio-${++registered}`;
		try {
			CSS.registerProperty({ name, syntax, inherits: false, initialValue });
			return name;
		} catch {
			return null;
		}
	};
	/**
	 * A value that does not fit is computed as the initial value; that very value can be tested by registering it as
	 * one.
	 */
	const tryFit = (syntax: string, initial: string, value: string): boolean => {
		const window = roomFor();
		const name = register(window, syntax, initial);
		if (name === null || register(window, syntax, value) !== null) return true;
		const { document: own } = window;
		const element = own.documentElement.appendChild(own.createElement('i'));
		const computed = (text: string): string => {
			element.style.setProperty(name, text);
			return window.getComputedStyle(element).getPropertyValue(name);
		};
		const fits = computed(value) !== computed('initial');
		element.remove();
		return fits;
	};
	const fitting = rememberedBy(
		MOST_KNOWN,
		(of: readonly [syntax: string, initial: string, value: string]) => JSON.stringify(of),
		(of) => tryFit(...of)
	);
	const expanded = rememberedBy(
		MOST_KNOWN,
		([property, value]: readonly [string, string]) => `${property}:${value}`,
		([property, value]) => ({ longhands: set(property, value) })
	);
	/**
	 * A browser's list of computed properties includes aliases of longhands, and shorthands in place of their
	 * longhands.
	 */
	const listed = (): string[] => [
		...new Set(
			[...(document.defaultView?.getComputedStyle(document.documentElement) ?? [])].flatMap((name) => [
				...(set(name, 'initial')?.keys() ?? [])
			])
		)
	];
	let longhands: readonly string[] | undefined;
	return {
		fits: (syntax, initial, value) => syntax === '*' || fitting([syntax, initial, value]),
		expand: (property, value) => expanded([property, value]).longhands,
		supports: (condition) => CSS.supports(condition),
		knows: (property) => set(property, 'initial') !== null,
		get longhands() {
			return (longhands ??= listed());
		}
	};
}
