const MB = 1024 * 1024;

/** What one import may bring. */
export const LIMITS = {
	packed: 64 * MB,
	unpacked: 256 * MB,
	file: 32 * MB,
	files: 2000,
	/** Of a page or a sheet that is to be read; a longer one comes in as a file like any other. */
	text: 8 * MB
} as const;

/** What reading the pages of one import may take, in a thread of its own. */
export const READING = { megabytes: 1536, seconds: 60 } as const;

export const megabytes = (bytes: number): string => `${Math.round(bytes / MB)} MB`;
