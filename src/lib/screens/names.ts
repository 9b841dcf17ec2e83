/** Names of screens in addresses, and whether they show a page in frames. */
export const SCREEN_NAMES = { bench: true, type: true, site: false } as const;

export type ScreenName = keyof typeof SCREEN_NAMES;

/** Whether the screen of a name in an address has frames. */
export const hasFrames = (name: string | undefined): boolean =>
	Object.entries(SCREEN_NAMES).some(([one, framed]) => one === name && framed);
