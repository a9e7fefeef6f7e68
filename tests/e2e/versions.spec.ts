import { createServer, get, type IncomingHttpHeaders, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';

/** The served application, of which a second version can be brought out: its service worker is another. */
async function twoVersions(baseURL: string): Promise<{ url: string; bringOut: () => void; server: Server }> {
	let version = 1;
	const server = createServer((request, response) => {
		const headers: IncomingHttpHeaders = { ...request.headers, 'accept-encoding': 'identity' };
		// Otherwise an unchanged file comes without its bytes.
		delete headers['if-none-match'];
		delete headers['if-modified-since'];
		get(`${baseURL}${request.url ?? ''}`, { headers }, (answer) => {
			delete answer.headers['content-length'];
			response.writeHead(answer.statusCode ?? 500, answer.headers);
			if (request.url !== '/service-worker.js') return answer.pipe(response);
			const chunks: Buffer[] = [];
			answer.on('data', (chunk: Buffer) => chunks.push(chunk));
			answer.on('end', () => {
				const text = Buffer.concat(chunks).toString();
				response.end(version === 1 ? text : text.replace(/winglogos-/, 'winglogos-two-'));
			});
		});
	});
	await new Promise<void>((resolve) => server.listen(0, resolve));
	const { port } = server.address() as AddressInfo;
	return { url: `http://localhost:${port}`, bringOut: () => (version = 2), server };
}

test('a new version offers itself once, is loaded when asked for, and leaves open pages their files', async ({
	context,
	page,
	baseURL,
}) => {
	const { url, bringOut, server } = await twoVersions(baseURL ?? '');
	try {
		const offer = page.getByText('A new version is ready.');
		await page.goto(url);
		await page.evaluate(() => navigator.serviceWorker.ready);
		await page.reload();
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await expect(offer).toHaveCount(0);
		const other = await context.newPage();
		await other.goto(url);
		await expect(other.getByRole('heading', { level: 1 })).toBeVisible();

		bringOut();
		let loads = 0;
		page.on('load', () => loads++);
		// A look that the browser began by itself before the second version came out answers with the first: look again.
		await expect(async () => {
			await page.evaluate(async () => (await navigator.serviceWorker.ready).update());
			await expect(offer).toBeVisible({ timeout: 5000 });
		}).toPass();
		await page.getByRole('button', { name: 'Later' }).click();
		await expect(offer).toHaveCount(0);
		expect(loads).toBe(0);

		await page.reload();
		await expect(offer).toBeVisible();
		await page.getByRole('button', { name: 'Load it now' }).click();
		await expect(offer).toHaveCount(0);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		const keys = await page.evaluate(() => caches.keys());
		expect(keys.filter((key) => key.startsWith('winglogos-'))).toHaveLength(2);

		// The page that was open all the time goes on, without the network too.
		await context.setOffline(true);
		await other.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Sites' }).click();
		await expect(other.getByRole('heading', { level: 1 })).toHaveText('Where you fly');
	} finally {
		server.closeAllConnections();
		server.close();
	}
});
