const MB = 1024 * 1024;

/** What one import may bring. */
export const LIMITS = {
	packed: 64 * MB,
	unpacked: 256 * MB,
	file: 32 * MB,
	files: 2000
} as const;

export const megabytes = (bytes: number): string => `${Math.round(bytes / MB)} MB`;
