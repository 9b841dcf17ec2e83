/** Media queries of every kind that Media Queries 4 and 5 know, for comparing with an engine. */

const cross = (...lists: readonly (readonly string[])[]): string[] =>
	lists.reduce<string[]>((rows, list) => rows.flatMap((row) => list.map((item) => row + item)), ['']);

const widths = ['(width', '(height', '(inline-thing'];
const signs = [' < ', ' <= ', ' = ', ' > ', ' >= '];
const lengths = ['600px)', '37.5em)', '599.25px)', '40rem)', '6.25in)'];

const plain = cross(
	['(min-', '(max-', '('],
	['width: ', 'height: '],
	['600px)', '0)', '37.5em)', '599px)', '-5px)', 'calc(30em + 120px))']
);
const ratios = [
	...cross(
		['(min-aspect-ratio: ', '(max-aspect-ratio: ', '(aspect-ratio: '],
		['16/9)', '4/3)', '1)', '0.75)', '3 / 4)', '1/0)']
	),
	...cross(['(aspect-ratio'], signs, ['1)', '2/3)', '1.6/1)']),
	'(orientation: portrait)',
	'(orientation: landscape)',
	'(orientation)',
	'(aspect-ratio)',
	'(orientation: sideways)',
	'(min-orientation: portrait)'
];
const maths = [
	'(width >= min(600px, 40em))',
	'(width < max(600px, 50vh))',
	'(width > clamp(300px, 50vw + 10em, 700px))',
	'(min-width: calc(2 * 20em))',
	'(min-width: calc((10em + 200px) / 2 * 3))',
	'(min-width: calc(10em+200px))',
	'(max-width: calc(100vw - 1px))',
	'(width >= 100vw)',
	'(height <= 100vh)',
	'(width > 100vmin)',
	'(width < 50vmax)',
	'(min-width: abs(-600px))',
	'(min-width: calc(600))',
	'(min-width: 600)',
	'(width > 10ex)',
	'(width > 38pc)',
	'(width > 450pt)',
	'(width > 158.75mm)',
	'(width > 635q)'
];
const resolutions = [
	...cross(
		['(min-resolution: ', '(max-resolution: ', '(resolution: '],
		['1dppx)', '2x)', '96dpi)', '144dpi)', '37.8dpcm)', '-1dppx)', '2)']
	),
	...cross(['(resolution'], [' < ', ' >= '], ['2dppx)', 'infinite)']),
	'(resolution)',
	'(-webkit-min-device-pixel-ratio: 2)',
	'(-webkit-max-device-pixel-ratio: 1.5)',
	'(-webkit-device-pixel-ratio: 1)',
	'(-webkit-min-device-pixel-ratio: 2dppx)'
];
const keywords = [
	...cross(['(pointer', '(any-pointer'], [')', ': none)', ': coarse)', ': fine)', ': blunt)']),
	...cross(['(hover', '(any-hover'], [')', ': none)', ': hover)', ': on-demand)']),
	...cross(['(prefers-color-scheme'], [')', ': light)', ': dark)', ': no-preference)']),
	...cross(
		['(prefers-reduced-motion', '(prefers-reduced-transparency', '(prefers-reduced-data'],
		[')', ': reduce)', ': no-preference)']
	),
	...cross(['(prefers-contrast'], [')', ': no-preference)', ': more)', ': less)', ': custom)']),
	...cross(['(forced-colors', '(inverted-colors'], [')', ': none)', ': active)', ': inverted)']),
	...cross(['(update'], [')', ': none)', ': slow)', ': fast)']),
	...cross(['(overflow-block', '(overflow-inline'], [')', ': none)', ': scroll)', ': paged)']),
	...cross(['(scripting'], [')', ': none)', ': initial-only)', ': enabled)']),
	...cross(['(color-gamut'], [')', ': srgb)', ': p3)', ': rec2020)']),
	...cross(['(dynamic-range', '(video-dynamic-range'], [')', ': standard)', ': high)']),
	...cross(['(display-mode'], [')', ': browser)', ': standalone)', ': fullscreen)']),
	...cross(['(device-posture'], [')', ': continuous)', ': folded)']),
	'(scan: progressive)',
	'(scan: interlace)',
	'(nav-controls)',
	'(nav-controls: back)',
	'(environment-blending: opaque)',
	'(environment-blending: additive)'
];
const integers = [
	'(color)',
	'(min-color: 8)',
	'(color > 8)',
	'(color: 8)',
	'(min-color: 1.5)',
	'(color-index)',
	'(color-index = 0)',
	'(monochrome)',
	'(monochrome: 0)',
	'(max-monochrome: 4)',
	'(grid)',
	'(grid: 0)',
	'(grid: 1)',
	'(min-grid: 0)',
	'(horizontal-viewport-segments: 1)',
	'(min-horizontal-viewport-segments: 2)',
	'(vertical-viewport-segments > 0)'
];
const shapes = [
	'',
	'all',
	'screen',
	'print',
	'tty',
	'speech',
	'only screen',
	'not screen',
	'not print',
	'not all',
	'SCREEN and (WIDTH > 1PX)',
	'only',
	'and',
	'not',
	'screen and',
	'screen, print',
	'print, (width > 5px)',
	'(width > 5px),',
	',',
	'screen and (width > 5px) and (height > 5px)',
	'screen and (width > 5px) or (height > 5px)',
	'screen and not (width > 5000px)',
	'screen and ((width > 5px) or (height > 5000px))',
	'not screen and (width > 5000px)',
	'only print and (width > 5px)',
	'(width > 5px) and (height > 5px) or (grid)',
	'((width > 5px) and (height > 5px)) or (grid)',
	'not ((width < 5px) or (grid))',
	'not (not (width > 5px))',
	'(not (width > 5px))',
	'not not (width > 5px)',
	'(width > 5px) and not (grid)',
	'(((width > 5px)))',
	'(400px < width < 700px)',
	'(700px >= width > 400px)',
	'(400px < width > 300px)',
	'(400px = width = 400px)',
	'(600px <= width)',
	'(1000px > height)',
	'(width < = 600px)',
	'(width >=600px)',
	'(width>=600px)',
	'(width => 600px)',
	'(min-width >= 600px)',
	'(min-width)',
	'(min-width:)',
	'(width: 600px',
	'(width > 600px))',
	'(unheard)',
	'(unheard: of)',
	'not (unheard)',
	'not ((unheard) and (width > 5px))',
	'not ((unheard) or (width > 5px))',
	'(unheard) or (width > 5px)',
	'(unheard) and (width > 5px)',
	'not ((unheard) and (width > 5000px))',
	'future(1, 2)',
	'future(1) or (width > 5px)',
	'not(width > 5px)',
	'(width > 5px) and(height > 5px)',
	'(width > 5px)and (height > 5px)',
	'screen and(width > 5px)',
	'(wi\\64th > 5px)',
	'/* a */ screen /* b */ and /* c */ (width /* d */ > 5px)',
	'(width > 5px) {}',
	'"screen"',
	'(width > 5px;)',
	'(width: 5px 6px)',
	'(width > 600PX)',
	'(3d-glasses)',
	'()',
	'( )',
	'(5px)',
	'(layer)',
	'layer',
	'layer and (width > 5px)'
];
const joined = cross(
	['', 'not '],
	['(min-width: 600px)', '((width < 600px) or (height < 600px))', '(orientation: portrait)'],
	[' and (hover)', ' or (resolution >= 2dppx)', ' and (prefers-color-scheme: dark)', '']
);
const device = cross(
	['(min-device-', '(max-device-', '(device-'],
	['width: ', 'height: '],
	['600px)', '768px)']
);
const deviceRatios = [
	'(device-aspect-ratio: 16/9)',
	'(min-device-aspect-ratio: 1/1)',
	'(device-width > 600px)',
	'(device-height < 50em)'
];

/** Non-linear functions, infinity and NaN, container units. */
const functions = [
	'round(599.6px, 1px)',
	'round(up, 599.2px, 1px)',
	'round(down, 601px, 100px)',
	'round(to-zero, -3.4px, 1px)',
	'calc(1px * round(599.6))',
	'mod(1399px, 800px)',
	'rem(1399px, 800px)',
	'mod(-201px, 800px)',
	'rem(-201px, 800px)',
	'calc(300px * sqrt(4))',
	'calc(6px * pow(10, 2))',
	'hypot(360px, 480px)',
	'calc(600px * abs(-1))',
	'calc(600px * sign(-3px))',
	'calc(600px * sign(3))',
	'calc(1px * exp(6.4))',
	'calc(9px * log(1e30))',
	'calc(100px * log(64, 2))',
	'calc(infinity * 1px)',
	'calc(-infinity * 1px)',
	'calc(NaN * 1px)',
	'calc(1px + NaN * 1px)',
	'max(1px, NaN * 1px)',
	'calc(1px / 0)',
	'calc(-1px / 0)',
	'calc(190px * pi)',
	'calc(220px * e)',
	'100cqw',
	'50cqi',
	'100cqh',
	'10cqmin',
	'10cqmax',
	'clamp(none, 600px, 700px)',
	'calc(' + '('.repeat(60) + '600px' + ')'.repeat(60) + ')',
	'calc('.repeat(101) + '1px' + ')'.repeat(101)
].flatMap((length) => [`(width >= ${length})`, `(max-width: ${length})`]);

/** Rare notations. */
const written = [
	'(width >/**/= 600px)',
	'(width > = 600px)',
	'(width <= /* x */ 600px)',
	'(width >= 600p\\78)',
	'(width >= 6\\30 0px)',
	'(w\\69 dth >= 600px)',
	'(min-width: 600\\70x)',
	'(MIN-WIDTH: 600PX)',
	'(width >= C\\41lc(600px))',
	'\ufeff(width > 1px)',
	'(width > 1px)\ufeff',
	'(\ufeffwidth > 1px)',
	'(width > 1px) /* x',
	'(width > 1px',
	'(-webkit-transform-3d)',
	'(-webkit-transform-3d: 1)',
	'(-webkit-transform-3d: 0)',
	'not (-webkit-transform-3d)',
	'(max-width: 639.99px)',
	'(min-width: 640.01px)',
	'(width < 640.01px)'
];

export const QUERIES: readonly string[] = [
	...new Set([
		...cross(widths, signs, lengths),
		...plain,
		...ratios,
		...maths,
		...functions,
		...written,
		...resolutions,
		...keywords,
		...integers,
		...shapes,
		...joined,
		...device,
		...deviceRatios
	])
];
