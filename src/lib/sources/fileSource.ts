import type { AxisBatch, Source } from './source';

/** What was read out of a file: columns in SI units (µT for fields). */
export interface FileContent {
	mag?: AxisBatch;
	accel?: AxisBatch;
	gyro?: AxisBatch;
	lines?: string[];
}

/** A file as a source: gives all it holds and ends. */
export function fileSource(name: string, content: FileContent): Source {
	return {
		name,
		practice: false,
		live: false,
		turnable: false,
		open(sink) {
			const t = content.mag?.t ?? [];
			const timer = setTimeout(() => {
				sink.batch({ ...content, atS: t[t.length - 1] ?? 0 });
				sink.ended();
			});
			return () => clearTimeout(timer);
		},
	};
}
