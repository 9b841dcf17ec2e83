import type { Engine } from '../core/cascade/index.ts';

const MOST_KNOWN = 20_000;

/** A browser's own word on declarations, by a style that is on no element: the frames run in the same browser. */
export function engineOf(document: Document): Engine {
	const { style } = document.createElement('i');
	const known = new Map<string, ReadonlyMap<string, string> | null>();
	const set = (property: string, value: string): ReadonlyMap<string, string> | null => {
		style.cssText = '';
		style.setProperty(property, value);
		if (style.length === 0) return null;
		return new Map([...style].map((longhand) => [longhand, style.getPropertyValue(longhand)]));
	};
	const fitting = new Map<string, boolean>();
	let registered = 0;
	/** Registers a new custom property; null where the initial value does not fit, or depends on an element. */
	const register = (syntax: string, initialValue: string): string | null => {
		const name = `--vantaggio-${++registered}`;
		try {
			document.defaultView?.CSS.registerProperty({ name, syntax, inherits: false, initialValue });
			return name;
		} catch {
			return null;
		}
	};
	/** What does not fit is computed as the initial value; what is that very value can be registered as one. */
	const tryFit = (syntax: string, initial: string, value: string): boolean => {
		const name = register(syntax, initial);
		if (name === null || register(syntax, value) !== null) return true;
		const element = document.documentElement.appendChild(document.createElement('i'));
		const computed = (text: string): string => {
			element.style.setProperty(name, text);
			return getComputedStyle(element).getPropertyValue(name);
		};
		const fits = computed(value) !== computed('initial');
		element.remove();
		return fits;
	};
	return {
		fits(syntax, initial, value) {
			if (syntax === '*') return true;
			const key = JSON.stringify([syntax, initial, value]);
			let found = fitting.get(key);
			if (found === undefined) fitting.set(key, (found = tryFit(syntax, initial, value)));
			return found;
		},
		expand(property, value) {
			const key = `${property}:${value}`;
			let found = known.get(key);
			if (found === undefined) known.set(key, (found = set(property, value)));
			if (known.size > MOST_KNOWN) known.clear();
			return found;
		},
		knows: (property) => set(property, 'initial') !== null,
		// What a browser lists as computed has second names of longhands among them, and shorthands in the place of theirs.
		longhands: [
			...new Set(
				[...(document.defaultView?.getComputedStyle(document.documentElement) ?? [])].flatMap((name) => [
					...(set(name, 'initial')?.keys() ?? [])
				])
			)
		]
	};
}
