// The built application's server: the framework's handler, with the headers of pages on static files too. HOST, PORT, ORIGIN
// and BODY_SIZE_LIMIT are read from the environment. It becomes build/index.js.
import { createServer } from 'node:http';
// @ts-expect-error made by the build
import { handler } from './handler.js';
import { FILE_POLICY, SECURITY_HEADERS } from '../src/lib/server/headers';

const port = Number(process.env.PORT ?? 3000);
const host = process.env.HOST ?? '127.0.0.1';

const server = createServer((request, response) => {
	for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
	// Pages have a path without a dot; what answers them sets their own policy.
	if (/\.[a-z0-9]+$/.test((request.url ?? '').split('?')[0]))
		response.setHeader('Content-Security-Policy', FILE_POLICY);
	handler(request, response, () => {
		response.statusCode = 404;
		response.end('Not found');
	});
});
server.listen(port, host, () => console.log(`Listening on http://${host}:${port}`));
for (const signal of ['SIGTERM', 'SIGINT'] as const)
	process.once(signal, () => {
		server.close(() => process.exit(0));
		server.closeIdleConnections();
	});
