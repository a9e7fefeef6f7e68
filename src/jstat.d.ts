/** The part of jStat that is used; it ships no types. */
declare module 'jstat' {
	const jStat: { studentt: { cdf(x: number, freedom: number): number; inv(share: number, freedom: number): number } };
	export default jStat;
}
