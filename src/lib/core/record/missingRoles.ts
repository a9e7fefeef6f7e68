import type { Choices } from './columns';
import type { Role } from './logRoles';

/**
 * The columns that a table still lacks, by label: those that are always required, or the groups of which one would do, joined by "or".
 * Empty where the choices are complete.
 */
export function missingRoles(
	roles: readonly Role[],
	choices: Choices,
	complete: (choices: Choices) => boolean,
): string {
	if (complete(choices)) return '';
	const lacking = (of: readonly Role[]) => of.filter(({ name }) => !choices[name]);
	const labels = (of: readonly Role[]) => of.map(({ label }) => label).join(', ');
	const required = lacking(roles.filter((role) => role.required));
	if (required.length > 0) return labels(required);
	const groups = [...new Set(roles.map(({ group }) => group))];
	const enough = groups.flatMap((group) => {
		const own = lacking(roles.filter((role) => role.group === group));
		const filled = Object.fromEntries(
			own.map(({ name, units }) => [name, { column: 0, unit: Object.keys(units)[0] ?? '' }]),
		);
		return own.length > 0 && complete({ ...choices, ...filled }) ? [labels(own)] : [];
	});
	return enough.length > 0 ? enough.join(' or ') : labels(lacking(roles));
}
