/** No circle of folders either. Tests are left out: those of the core measure it against the rig's known truth. */
const { options } = require('./.dependency-cruiser.cjs');

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
	forbidden: [{ name: 'no-circle-of-folders', severity: 'error', scope: 'folder', from: {}, to: { circular: true } }],
	options: { ...options, exclude: { path: '\\.svelte-kit|\\.test\\.ts$' } },
};
