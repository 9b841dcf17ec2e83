/** How many wrong keys an address may send within a minute before it has to wait. */
const MOST = 15;
const MINUTE = 60_000;
/** The largest number of addresses remembered. */
const ADDRESSES = 10_000;

/**
 * Counts wrong keys by address. While an address has to wait, a right key from it is refused too: it may be a guess.
 */
export function wrongKeys(now: () => number = Date.now) {
	const counted = new Map<string, { count: number; until: number }>();
	/** An IPv6 network counts as one address, because its owner has 2^64 of them. */
	const named = (address: string): string =>
		address.includes('.') ? address : address.split(':').slice(0, 4).join(':');
	return {
		/** How many whole seconds an address has to wait; 0 where it may try. */
		wait(address: string): number {
			const found = counted.get(named(address));
			return found && found.count >= MOST ? Math.max(0, Math.ceil((found.until - now()) / 1000)) : 0;
		},
		/** Notes a wrong key from an address. */
		count(address: string): void {
			for (const [one, { until }] of counted) {
				if (until > now() && counted.size < ADDRESSES) break;
				counted.delete(one);
			}
			const key = named(address);
			const found = counted.get(key);
			if (found && found.until > now()) found.count++;
			else counted.set(key, { count: 1, until: now() + MINUTE });
		}
	};
}
