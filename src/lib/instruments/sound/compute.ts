import { figure } from '$lib/core/figures/figure';
import { InputError } from '$lib/core/finding/inputError';
import { reviewSound } from '$lib/core/propulsion/sound';
import { soundLimits as limits } from '$lib/core/propulsion/soundLimits';
import { points } from '../files';
import { working } from '../form';
import { report } from '../instrument';
import { fields } from './form';

export const compute = working(fields, (input, progress) => {
	const samples = input.taken?.sound;
	if (!samples) throw new InputError('no-file', 'file', 'Choose or make a recording first.');
	const answer = reviewSound(samples, input.form, progress);
	const { surgePct, surgeHz, track, spectrum, toneHz } = answer;
	const shown = spectrum.hz.findIndex((hz) => hz > 3000);
	return {
		...report(answer, `The motors run evenly, within ±${surgePct?.toFixed(1)} %`),
		figures: [
			figure('surging', surgePct, { digits: 1, sigma: answer.surgeSigmaPct, note: `limit ${limits.surgePct.value}` }),
			figure('surging-rate', surgeHz, { digits: 1 }),
			figure('motor-tone', toneHz, { digits: 0, sigma: answer.toneSigmaHz }),
			figure('surging-slow', answer.slowPct, { digits: 1, note: 'gusts and hands' }),
			figure('blade-balance', answer.onceATurnDb, { digits: 0, note: 'grows with a chipped or unbalanced propeller' }),
			figure('motors-heard', 100 * answer.heard, { digits: 0 }),
		],
		plots:
			track.t.length > 0
				? [
						{
							kind: 'lines',
							title:
								surgePct === null
									? 'How far all motors together are off their middle'
									: `All motors together surge by ±${surgePct.toFixed(1)} %`,
							xLabel: 's',
							yLabel: '%',
							lines: [{ label: '', points: points(track.t, track.pct) }],
						},
						{
							kind: 'lines',
							title: toneHz === null ? 'What is heard' : `What is heard: it hums at ${toneHz.toFixed(0)} Hz`,
							xLabel: 'Hz',
							yLabel: 'dB',
							lines: [{ label: '', points: points(spectrum.hz.slice(0, shown), spectrum.db.slice(0, shown)) }],
							marks: toneHz === null ? [] : [{ x: toneHz, label: `${toneHz.toFixed(0)} Hz` }],
						},
					]
				: [],
		tables: [],
		// The track is long and can be computed again.
		answer: { ...answer, track: undefined, spectrum: undefined },
	};
});
