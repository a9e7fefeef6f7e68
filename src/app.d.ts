declare global {
	namespace App {
		interface Error {
			message: string;
			next?: string;
		}
	}
}

export {};
