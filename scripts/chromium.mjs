/** Debian's Chromium for tests and screenshots, with nothing that reaches for the network. */
export const launchOptions = {
	executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
	args: [
		'--no-sandbox',
		'--disable-gpu',
		'--disable-quic',
		'--no-first-run',
		'--disable-background-networking',
		'--disable-component-update',
		'--disable-sync',
	],
};
