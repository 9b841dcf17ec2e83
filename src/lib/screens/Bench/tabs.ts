/** The panels below the sheet. */
export type Tab =
	| 'findings'
	| 'curve'
	| 'box'
	| 'collation'
	| 'markup'
	| 'outline'
	| 'trace'
	| 'reach'
	| 'states'
	| 'original';
