/** Imports point downwards only: routes → features → ui/store/workers/sources → instruments → rig → core → messages → words → schema. */
const lib = '^src/lib/';
const rule = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to: { path: to } });

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
	forbidden: [
		{ name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
		{
			name: 'not-to-unresolvable',
			severity: 'error',
			from: {},
			to: { couldNotResolve: true, pathNot: '^(\\$app|\\$service-worker|\\./\\$types)' },
		},
		rule(
			'schema-stands-alone',
			`${lib}schema/`,
			`${lib}(words|messages|core|rig|instruments|sources|store|workers|ui|features)/|^src/routes/`,
		),
		{
			name: 'words-know-only-schema',
			severity: 'error',
			from: { path: `${lib}words/`, pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}(messages|core|rig|instruments|sources|store|workers|ui|features)/|^src/routes/` },
		},
		{
			name: 'messages-know-only-words-and-schema',
			severity: 'error',
			from: { path: `${lib}messages/`, pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}(core|rig|instruments|sources|store|workers|ui|features)/|^src/routes/` },
		},
		{
			name: 'core-imports-only-messages-words-and-schema',
			severity: 'error',
			// Tests may measure the core against the rig's known truth.
			from: { path: `${lib}core/`, pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}(rig|instruments|sources|store|workers|ui|features)/|^src/routes/` },
		},
		rule('rig-imports-core', `${lib}rig/`, `${lib}(instruments|sources|store|workers|ui|features)/|^src/routes/`),
		rule('instruments-know-no-screen', `${lib}instruments/`, `${lib}(sources|store|workers|ui|features)/|^src/routes/`),
		rule('middle-rooms-do-not-know-views', `${lib}(ui|store|workers|sources)/`, `${lib}features/|^src/routes/`),
		{
			name: 'server-knows-core-only',
			severity: 'error',
			from: { path: `${lib}server/`, pathNot: '\\.test\\.ts$' },
			to: { path: `${lib}(rig|instruments|sources|store|workers|ui|features)/|^src/routes/` },
		},
		rule('only-routes-know-the-server', `${lib}(?!server/)`, `${lib}server/`),
		rule('features-do-not-know-routes', `${lib}features/`, '^src/routes/'),
		{
			name: 'core-has-no-interface-or-storage',
			severity: 'error',
			from: { path: `${lib}(core|schema|rig|instruments)/` },
			to: { path: 'node_modules/(svelte|@sveltejs|dexie|bits-ui|comlink|three|@lucide)' },
		},
		{
			name: 'only-the-store-knows-dexie',
			severity: 'error',
			from: { path: '^src/', pathNot: `${lib}store/` },
			to: { path: 'node_modules/dexie' },
		},
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		tsConfig: { fileName: 'tsconfig.json' },
		webpackConfig: { fileName: '.dependency-cruiser.resolve.cjs' },
		tsPreCompilationDeps: true,
		exclude: { path: '\\.svelte-kit' },
		enhancedResolveOptions: {
			exportsFields: ['exports'],
			conditionNames: ['svelte', 'browser', 'import', 'types', 'default'],
		},
	},
};
