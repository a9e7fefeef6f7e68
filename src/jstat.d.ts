/** The parts of jStat that are used here; the package ships no types. */
declare module 'jstat' {
	const jStat: {
		studentt: { cdf(x: number, freedom: number): number; inv(share: number, freedom: number): number };
		normal: { cdf(x: number, mean: number, sigma: number): number };
	};
	export default jStat;
}
