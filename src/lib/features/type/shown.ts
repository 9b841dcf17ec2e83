import { rational } from '$lib/core/interval/index.ts';
import { over } from '$lib/core/length/index.ts';

/** The widths that the Measure shows, CSS px: notes and checks are about these. */
export const SHOWN = over(rational(240), rational(2560));
