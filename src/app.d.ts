declare global {
	namespace App {
		interface Error {
			message: string;
			next?: string;
		}
		interface Platform {
			req: import('node:http').IncomingMessage;
		}
	}
}

export {};
