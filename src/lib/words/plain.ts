/** A sentence without its full stop: as a headline, or within another sentence. */
export const plain = (sentence: string): string => sentence.replace(/\.+$/, '');
