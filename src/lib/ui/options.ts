/** One choice of a list, with its words. */
export interface Option<T extends string | number = string> {
	value: T;
	label: string;
	disabled?: boolean;
}

/** Choices in the order of a table of words. */
export const optionsOf = <K extends string>(words: Readonly<Record<K, string>>): Option<K>[] =>
	(Object.entries(words) as [K, string][]).map(([value, label]) => ({ value, label }));

/** Choices among things that have an id and a name. */
export const named = (things: readonly { id: string; name: string }[]): Option[] =>
	things.map(({ id, name }) => ({ value: id, label: name }));
