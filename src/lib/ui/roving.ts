/** How far an arrow key moves in a row, or in a column. */
const STEPS: Readonly<Record<'row' | 'column', Readonly<Record<string, number>>>> = {
	row: { ArrowLeft: -1, ArrowRight: 1 },
	column: { ArrowUp: -1, ArrowDown: 1 }
};

/**
 * Makes the descendants that a selector matches a single tab stop: the one that had the focus last, otherwise the
 * first (WAI-ARIA Authoring Practices, roving tabindex). In a row or a column, arrow keys, Home and End move between
 * them; otherwise the caller moves the focus.
 */
export const roving =
	(selector: string, along?: 'row' | 'column') =>
	(container: HTMLElement): (() => void) => {
		let current: HTMLElement | undefined;
		const items = (): HTMLElement[] => [...container.querySelectorAll<HTMLElement>(selector)];

		function settle(): void {
			const all = items();
			if (!current || !all.includes(current)) [current] = all;
			for (const one of all) {
				const index = one === current ? 0 : -1;
				if (one.tabIndex !== index) one.tabIndex = index;
			}
		}
		function focused({ target }: FocusEvent): void {
			const item = target instanceof HTMLElement ? target.closest<HTMLElement>(selector) : null;
			if (!item || item === current) return;
			current = item;
			settle();
		}
		function pressed(event: KeyboardEvent): void {
			if (!along || event.altKey || event.ctrlKey || event.metaKey || event.defaultPrevented) return;
			const all = items();
			const at = all.indexOf(event.target as HTMLElement);
			if (at < 0) return;
			const by = STEPS[along][event.key];
			const to = { Home: 0, End: all.length - 1 }[event.key] ?? (by === undefined ? undefined : at + by);
			if (to === undefined) return;
			event.preventDefault();
			all[to]?.focus();
		}

		settle();
		const observer = new MutationObserver(settle);
		observer.observe(container, { childList: true, subtree: true, attributeFilter: ['disabled'] });
		container.addEventListener('focusin', focused);
		container.addEventListener('keydown', pressed);
		return () => {
			observer.disconnect();
			container.removeEventListener('focusin', focused);
			container.removeEventListener('keydown', pressed);
		};
	};
