/** Inherited longhands of CSS and SVG, by their definition tables (Cascade 5 §7.2), and a browser's own. */
const INHERITED = new Set(
	`accent-color app-region border-collapse border-spacing caption-side caret-animation caret-color caret-shape clip-rule color
	color-interpolation color-interpolation-filters color-rendering color-scheme cursor direction dominant-baseline
	dynamic-range-limit empty-cells fill fill-opacity fill-rule font-family font-feature-settings font-kerning
	font-language-override font-optical-sizing font-palette font-size font-size-adjust font-stretch font-style
	font-synthesis-position font-synthesis-small-caps font-synthesis-style font-synthesis-weight
	font-variant-alternates font-variant-caps font-variant-east-asian font-variant-emoji font-variant-ligatures
	font-variant-numeric font-variant-position font-variation-settings font-weight forced-color-adjust hanging-punctuation
	hyphenate-character hyphenate-limit-chars hyphens image-orientation image-rendering interactivity
	interpolate-size letter-spacing line-break line-height list-style-image list-style-position list-style-type
	marker-end marker-mid marker-start math-depth math-shift math-style orphans overflow-wrap paint-order
	pointer-events print-color-adjust quotes ruby-align ruby-overhang ruby-position scrollbar-color
	shape-rendering speak stroke stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin
	stroke-miterlimit stroke-opacity stroke-width tab-size text-align text-align-last text-anchor text-autospace
	text-box-edge text-combine-upright text-decoration-skip-ink text-emphasis-color text-emphasis-position
	text-emphasis-style text-indent text-justify text-orientation text-rendering text-shadow text-size-adjust
	text-spacing-trim text-transform text-underline-offset text-underline-position text-wrap-mode
	text-wrap-style visibility white-space-collapse widows word-break word-spacing writing-mode
	user-select -webkit-border-horizontal-spacing -webkit-border-vertical-spacing -webkit-locale -webkit-print-color-adjust
	-webkit-rtl-ordering -webkit-tap-highlight-color -webkit-text-combine -webkit-text-decorations-in-effect
	-webkit-text-fill-color -webkit-text-orientation -webkit-text-security -webkit-text-stroke-color
	-webkit-text-stroke-width -webkit-user-modify -webkit-writing-mode -webkit-line-break -webkit-font-smoothing`.split(
		/\s+/
	)
);

/**
 * The longhands of an element's parent that matter to its cascade: inherited ones, and those that say what kind of
 * container it is.
 */
export const LONGHANDS_AROUND: readonly string[] = [
	...INHERITED,
	'container-type',
	'container-name',
	'inline-size',
	'flex-direction'
];

/** Custom properties that a page registers, by name. */
type Registry = ReadonlyMap<string, { readonly inherits: boolean }>;

const NONE: Registry = new Map();

/** Whether a longhand or custom property is inherited by default. */
export const isInherited = (property: string, registered: Registry = NONE): boolean =>
	property.startsWith('--') ? (registered.get(property)?.inherits ?? true) : INHERITED.has(property);
