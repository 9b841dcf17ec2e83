/** What properties are about, in the order of a Collation. */
export const GROUPS = [
	'Place',
	'Box',
	'Flex and grid',
	'Type',
	'Colour and picture',
	'Show',
	'Custom properties',
	'Rarely wanted'
] as const;

export type Group = (typeof GROUPS)[number];

/** The first match names a property's group. */
const FITTING: readonly (readonly [RegExp, Group])[] = [
	[/^--/, 'Custom properties'],
	[/^(-|box-sizing$)/, 'Rarely wanted'],
	[
		/^(position|inset|top|right|bottom|left|z-index|float|clear|transform|translate|rotate|scale|offset|perspective|anchor)/,
		'Place'
	],
	[
		/^(display|flex|grid|gap|row-gap|column-gap|align-|justify-|place-|order$|columns?$|column-(count|width|fill|span))/,
		'Flex and grid'
	],
	[
		/^(font|line-(?!clamp)|letter-|word-|text-|white-space|hyph|tab-size|writing-|direction|list-|quotes|overflow-wrap|orphans|widows|unicode|vertical-align|initial-letter)/,
		'Type'
	],
	[
		/^(color|accent|caret|background|border-(?!(width|style|spacing|collapse)$).*(color|image)|border-image|box-shadow|object-|image-|fill|stroke|filter|backdrop|mix-|mask|outline|opacity$)/,
		'Colour and picture'
	],
	[
		/^(visibility|content|clip|pointer-|cursor|transition|animation|will-change|user-select|appearance|scroll-behavior)/,
		'Show'
	]
];

/** What a property is about; the box where nothing else matches. */
export const groupOf = (property: string): Group =>
	FITTING.find(([pattern]) => pattern.test(property))?.[1] ?? 'Box';
