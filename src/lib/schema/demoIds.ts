/** What the demo made tells by its identifier; those of real things are random. */
export const isDemo = (id: string): boolean => id.startsWith('demo-');
