// The built application's server: the framework's handler, with the headers of pages on everything else that is answered. HOST, PORT,
// ORIGIN and BODY_SIZE_LIMIT are read from the environment. It becomes build/index.js.
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';
// @ts-expect-error made by the build
import { handler } from './handler.js';
import { faultBody } from '../src/lib/server/fault';
import { FILE_POLICY, SECURITY_HEADERS } from '../src/lib/server/headers';

const port = Number(process.env.PORT ?? 3000);
const host = process.env.HOST ?? '127.0.0.1';

const pathOf = ({ url = '' }: IncomingMessage): string => url.split('?')[0];

function setHeaders(request: IncomingMessage, response: ServerResponse): void {
	for (const [name, value] of Object.entries(SECURITY_HEADERS)) response.setHeader(name, value);
	// Pages have a path without a dot; what answers them sets their own policy.
	const path = pathOf(request);
	if (path.startsWith('/api') || /\.[a-z0-9]+$/.test(path)) response.setHeader('Content-Security-Policy', FILE_POLICY);
}

function refuse(response: ServerResponse, status: number, ...fault: Parameters<typeof faultBody>): void {
	response.writeHead(status, { 'content-type': 'application/json', connection: 'close' });
	response.end(JSON.stringify(faultBody(...fault)));
}

/** An address that cannot be decoded: the framework would answer a page of its own and write the stack into the log. */
function malformed(request: IncomingMessage): boolean {
	try {
		decodeURI(pathOf(request));
		return false;
	} catch {
		return true;
	}
}

const server = createServer((request, response) => {
	setHeaders(request, response);
	if (malformed(request)) refuse(response, 400, 'malformed-address', 'path', 'The address cannot be read.');
	else
		handler(request, response, () => {
			response.statusCode = 404;
			response.end('Not found');
		});
});
server.on('checkExpectation', (request: IncomingMessage, response: ServerResponse) => {
	setHeaders(request, response);
	refuse(
		response,
		417,
		'unknown-expectation',
		'expect',
		'No expectation but "100-continue" is met. Leave the header out.',
	);
});
server.listen(port, host, () => console.log(`Listening on http://${host}:${port}`));
for (const signal of ['SIGTERM', 'SIGINT'] as const)
	process.once(signal, () => {
		server.close(() => process.exit(0));
		server.closeIdleConnections();
	});
