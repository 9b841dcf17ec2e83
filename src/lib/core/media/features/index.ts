import type { MediaFeature } from '../feature.ts';
import { devicePixelRatio } from './-webkit-device-pixel-ratio.ts';
import { transform3d } from './-webkit-transform-3d.ts';
import { anyHover } from './any-hover.ts';
import { anyPointer } from './any-pointer.ts';
import { aspectRatio } from './aspect-ratio.ts';
import { colorGamut } from './color-gamut.ts';
import { colorIndex } from './color-index.ts';
import { color } from './color.ts';
import { deviceAspectRatio } from './device-aspect-ratio.ts';
import { deviceHeight } from './device-height.ts';
import { devicePosture } from './device-posture.ts';
import { deviceWidth } from './device-width.ts';
import { displayMode } from './display-mode.ts';
import { dynamicRange } from './dynamic-range.ts';
import { environmentBlending } from './environment-blending.ts';
import { forcedColors } from './forced-colors.ts';
import { grid } from './grid.ts';
import { height } from './height.ts';
import { horizontalViewportSegments } from './horizontal-viewport-segments.ts';
import { hover } from './hover.ts';
import { invertedColors } from './inverted-colors.ts';
import { monochrome } from './monochrome.ts';
import { navControls } from './nav-controls.ts';
import { orientation } from './orientation.ts';
import { overflowBlock } from './overflow-block.ts';
import { overflowInline } from './overflow-inline.ts';
import { pointer } from './pointer.ts';
import { prefersColorScheme } from './prefers-color-scheme.ts';
import { prefersContrast } from './prefers-contrast.ts';
import { prefersReducedData } from './prefers-reduced-data.ts';
import { prefersReducedMotion } from './prefers-reduced-motion.ts';
import { prefersReducedTransparency } from './prefers-reduced-transparency.ts';
import { resolution } from './resolution.ts';
import { scan } from './scan.ts';
import { scripting } from './scripting.ts';
import { update } from './update.ts';
import { verticalViewportSegments } from './vertical-viewport-segments.ts';
import { videoDynamicRange } from './video-dynamic-range.ts';
import { width } from './width.ts';

const features: readonly MediaFeature[] = [
	devicePixelRatio,
	transform3d,
	anyHover,
	anyPointer,
	aspectRatio,
	colorGamut,
	colorIndex,
	color,
	deviceAspectRatio,
	deviceHeight,
	devicePosture,
	deviceWidth,
	displayMode,
	dynamicRange,
	environmentBlending,
	forcedColors,
	grid,
	height,
	horizontalViewportSegments,
	hover,
	invertedColors,
	monochrome,
	navControls,
	orientation,
	overflowBlock,
	overflowInline,
	pointer,
	prefersColorScheme,
	prefersContrast,
	prefersReducedData,
	prefersReducedMotion,
	prefersReducedTransparency,
	resolution,
	scan,
	scripting,
	update,
	verticalViewportSegments,
	videoDynamicRange,
	width
];

/** Every media feature known here, by its name. */
export const FEATURES: ReadonlyMap<string, MediaFeature> = new Map(
	features.map((feature) => [feature.name, feature])
);

/**
 * The media feature of a parsed condition.
 *
 * @throws {Error} for a name that no parsed condition has
 */
export function featureNamed(name: string): MediaFeature {
	const found = FEATURES.get(name);
	if (!found) throw new Error(`There is no media feature "${name}".`);
	return found;
}
