import type { LaunchOptions } from '@playwright/test';

/** How Chromium from Debian's packages is started, everywhere in this project. */
export const LAUNCH: LaunchOptions = {
	executablePath: '/usr/bin/chromium',
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync'
	]
};
