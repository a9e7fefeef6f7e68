/** Words that begin with a capital letter, as a sentence or a label does. */
export const begunLarge = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words that go on in the middle of a sentence. */
export const begunSmall = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
