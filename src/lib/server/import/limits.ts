const MB = 1024 * 1024;

/** The limits of one import. */
export const LIMITS = {
	packed: 64 * MB,
	unpacked: 256 * MB,
	file: 32 * MB,
	files: 2000,
	/** For a page or a sheet; a longer one is kept unread. */
	text: 8 * MB
} as const;

/** The limits for reading the pages of one import, in a thread of its own. */
export const READING = { megabytes: 1536, seconds: 60 } as const;

export const megabytes = (bytes: number): string => `${Math.round(bytes / MB)} MB`;
