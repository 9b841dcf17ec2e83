import { addressesIn } from '../css/index.ts';
import { applyChanges } from '../text/index.ts';
import { relativeAddress, resolveAddress } from './address.ts';

/**
 * The text of a sheet as it is written in another file: relative addresses in it lead where they led. Those from the
 * site's root and to other hosts stay, queries and fragments too.
 */
export function readdressed(text: string, from: string, to: string): string {
	const changes = addressesIn(text).flatMap(({ address, span }) => {
		const target = resolveAddress(address, from);
		const isRelative = target.kind === 'site' && !/^[\\/]/.test(address.trim());
		if (!isRelative) return [];
		const [tail = ''] = /[?#].*$/s.exec(address) ?? [];
		const next = relativeAddress(target.path, to) + tail;
		const written = text.slice(span.start, span.end);
		const at = written.indexOf(address);
		if (next === address || at < 0) return [];
		const start = span.start + at;
		return [{ start, end: start + address.length, text: next }];
	});
	return applyChanges(text, changes);
}
