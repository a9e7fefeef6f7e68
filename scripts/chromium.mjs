import { existsSync } from 'node:fs';

/** Debian's Chromium as people have it, and the same without its windows, which costs a third less. */
export const WHOLE = '/usr/bin/chromium';
export const WINDOWLESS = '/usr/bin/chromium-headless-shell';

/** The first of these that is there, with nothing that reaches for the network. */
const options = (...paths) => ({
	executablePath: process.env.CHROMIUM ?? paths.find((path) => existsSync(path)) ?? paths[0],
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
	],
});
/** For tests. */
export const launchOptions = options(WINDOWLESS, WHOLE);
/** For pictures, and for what is measured as people meet it. */
export const wholeOptions = options(WHOLE, WINDOWLESS);
