/** The element of a cell that takes the focus. */
const VALUE = 'button.value';

/**
 * Moves between cells with arrow keys; Home and End move along the row, with Ctrl to the first and the last cell
 * (WAI-ARIA Authoring Practices, Data Grid).
 */
export function walkGrid(table: HTMLTableElement | undefined, event: KeyboardEvent): void {
	const cell = (event.currentTarget as HTMLElement).closest('td');
	const rows = [...(table?.rows ?? [])].filter((one) => one.querySelector(VALUE));
	const row = rows.findIndex((one) => one.contains(cell));
	if (!cell || row < 0) return;
	const column = cell.cellIndex;
	const last = (rows[row]?.cells.length ?? 0) - 1;
	const ways: Readonly<Record<string, readonly [row: number, column: number]>> = {
		ArrowLeft: [row, column - 1],
		ArrowRight: [row, column + 1],
		ArrowUp: [row - 1, column],
		ArrowDown: [row + 1, column],
		Home: [event.ctrlKey ? 0 : row, 1],
		End: [event.ctrlKey ? rows.length - 1 : row, last]
	};
	const to = ways[event.key];
	if (!to) return;
	event.preventDefault();
	rows[to[0]]?.cells[to[1]]?.querySelector<HTMLElement>(VALUE)?.focus();
}

/**
 * Focuses a property's cell: in the column with a letter where there is one, otherwise in the carriage's, otherwise
 * in the first. False where the property has no cell.
 */
export function focusCell(table: HTMLTableElement | undefined, property: string, letter?: string): boolean {
	const cells = [
		...(table?.querySelectorAll<HTMLElement>(`${VALUE}[data-cell^="${CSS.escape(property)}, "]`) ?? [])
	];
	const cell =
		cells.find((one) => one.dataset.cell === `${property}, ${letter}`) ??
		cells.find((one) => one.closest('td.here')) ??
		cells[0];
	cell?.focus();
	return cell !== undefined;
}
