import { rational } from '$lib/core/interval/index.ts';
import { over } from '$lib/core/length/index.ts';

/** The widths of the Measure, CSS px, to which notes and checks apply. */
export const SHOWN = over(rational(240), rational(2560));
