import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const tracked = execFileSync('git', ['ls-files', 'src', 'scripts', 'tests', 'docs', 'README.md'], { encoding: 'utf8' })
	.trim()
	.split('\n')
	.filter((file) => /\.(ts|mjs|js|svelte|md|css)$/.test(file) && existsSync(file));

/** A heading as a link names it. */
const slug = (heading: string) =>
	heading
		.toLowerCase()
		.replace(/[^\p{L}\p{N}\s-]/gu, '')
		.trim()
		.replace(/\s+/g, '-');
const anchorsOf = (file: string) =>
	readFileSync(file, 'utf8')
		.split('\n')
		.filter((line) => line.startsWith('#'))
		.map((line) => slug(line.replace(/^#+ /, '')));

const cited = tracked.flatMap((file) =>
	[...readFileSync(file, 'utf8').matchAll(/docs\/methods\/[a-z]+\.md(?:#[a-z-]+)?/g)].map(([where]) => ({
		file,
		where,
	})),
);

describe('the method notes', () => {
	it('are cited, and every citation leads to a heading that is there', () => {
		expect(cited.length).toBeGreaterThan(25);
		const lost = cited.filter(({ where }) => {
			const [note, anchor] = where.split('#');
			return !existsSync(note) || (anchor !== undefined && !anchorsOf(note).includes(anchor));
		});
		expect(lost).toEqual([]);
	});

	it('stand in the repository: no file names a note that is not', () => {
		// Put together, so that this file does not name one.
		const outside = new RegExp(['METH' + 'ODS-', 'DOM' + 'AIN\\.md', 'WAL' + 'KS\\.md'].join('|'));
		const naming = tracked.filter((file) => outside.test(readFileSync(file, 'utf8')));
		expect(naming).toEqual([]);
	});
});
