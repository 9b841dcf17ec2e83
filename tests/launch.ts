import { join } from 'node:path';
import type { LaunchOptions } from '@playwright/test';

/** Pages are laid out in the fonts that ship with the tests, whatever is installed. */
const FONTS = join(import.meta.dirname, 'fonts', 'fonts.conf');

/** How Chromium from Debian's packages is started, everywhere in this project. */
export const LAUNCH: LaunchOptions = {
	executablePath: '/usr/bin/chromium',
	env: { ...(process.env as Record<string, string>), FONTCONFIG_FILE: FONTS },
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

/** The size of the application's window, CSS px, where a test sets no other. */
export const VIEWPORT = { width: 1280, height: 800 };
