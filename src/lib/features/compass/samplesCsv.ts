import type { CompassSamples } from './compassState.svelte';

/** The readings of a turning as a table that any program reads, and this one reads back; a sensor that did not keep step is left out. */
export function samplesCsv({ mag, accel, gyro }: CompassSamples): string {
	const groups = [
		{ axes: mag, name: 'mag', unit: 'uT', decimals: 3 },
		{ axes: accel, name: 'accel', unit: 'm/s2', decimals: 4 },
		{ axes: gyro, name: 'gyro', unit: 'rad/s', decimals: 5 },
	].flatMap(({ axes, name, unit, decimals }) =>
		axes?.t.length === mag.t.length
			? (['x', 'y', 'z'] as const).map((k) => ({ column: axes[k], title: `${name}_${k} [${unit}]`, decimals }))
			: [],
	);
	const header = ['time [s]', ...groups.map(({ title }) => title)].join(',');
	const lines = Array.from(mag.t, (t, i) =>
		[t.toFixed(3), ...groups.map(({ column, decimals }) => column[i].toFixed(decimals))].join(','),
	);
	return [header, ...lines].join('\n');
}
