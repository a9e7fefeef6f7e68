/** Words that begin with a capital letter, as a sentence or a label does. */
export const begunLarge = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words that go on in the middle of a sentence; what is written large throughout, "GPS" or "D-3", stays so. */
export const begunSmall = (words: string): string =>
	words.replace(/^\p{Lu}(?=\p{Ll}|\s|$)/u, (letter) => letter.toLowerCase());
