import { describe, expect, it } from 'vitest';
import { guessColumns, type Choices } from './columns';
import { readTable } from './csv';
import { HOVER_ROLES } from './logRoles';
import { missingRoles } from './missingRoles';

const chosen = (...names: string[]): Choices =>
	Object.fromEntries(names.map((name, column) => [name, { column, unit: 'm' }]));
const complete = (choices: Choices) =>
	'time' in choices && (['north', 'east'].every((n) => n in choices) || ['lat', 'lon'].every((n) => n in choices));

describe('columns that are missing', () => {
	it('names nothing where the choices are complete', () => {
		expect(missingRoles(HOVER_ROLES, chosen('t', 'time', 'north', 'east'), complete)).toBe('');
	});
	it('names what is always required first', () => {
		const required = HOVER_ROLES.filter((role) => role.required).map(({ label }) => label);
		expect(required).not.toEqual([]);
		expect(missingRoles(HOVER_ROLES, {}, complete)).toBe(required.join(', '));
	});
	it('names each group that would complete them', () => {
		const needs = (choices: Choices) => ['lat', 'lon'].every((n) => n in choices);
		const required = HOVER_ROLES.filter((role) => role.required).map(({ name }) => name);
		expect(missingRoles(HOVER_ROLES, chosen(...required), needs)).toBe('Latitude, Longitude');
	});
	it('a height in metres is recognised by its header', () => {
		const table = readTable('t_s,north_m,east_m,height_m\n0,0,0,1\n1,0,0,1\n', 'a.csv');
		expect(guessColumns(table, HOVER_ROLES).choices['up']?.column).toBe(3);
	});
});
