// How the application's names resolve, for the boundary check only.
const path = require('node:path');

module.exports = {
	resolve: {
		alias: { $lib: path.resolve(__dirname, 'src/lib') },
		extensions: ['.ts', '.svelte.ts', '.js', '.svelte', '.css', '.json'],
	},
};
