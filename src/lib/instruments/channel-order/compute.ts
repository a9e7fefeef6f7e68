import { figure } from '$lib/core/figures/figure';
import { begunLarge } from '$lib/words/begun';
import { fields } from './form';
import { working } from '../form';
import { InputError } from '$lib/core/finding/inputError';
import { solveOrder } from '$lib/core/radio/order';
import { points, requireColumns } from '../files';
import { report } from '../instrument';
import { channelsOf } from '../shared/radio';

const ASKED = ['roll-right', 'pitch-forward', 'yaw-right', 'throttle-up'] as const;

const ORDER_GAP_S = 0.6;

/** The four gestures of a recording: stretches in which anything moves, apart by rest, in the order asked. */
function episodes(t: Float64Array, all: readonly { values: Float64Array }[]): { from: number; to: number }[] {
	const rest = all.map(({ values }) => values[0]);
	const moving = Array.from(t, (_, i) => all.some(({ values }, k) => Math.abs(values[i] - rest[k]) > 0.12));
	const found: { from: number; to: number }[] = [];
	for (let i = 0; i < t.length; i++) {
		if (!moving[i]) continue;
		const last = found.at(-1);
		if (last && t[i] - t[last.to] < ORDER_GAP_S) last.to = i;
		else found.push({ from: i, to: i });
	}
	return found;
}

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const all = channelsOf(c);
	const found = episodes(c.t, all);
	if (found.length !== 4)
		throw new InputError(
			'gestures',
			'file',
			`Four gestures were asked for, ${found.length} were found: rest a second between them.`,
		);
	const gestures = ASKED.map((asked, k) => {
		const from = Math.max(k === 0 ? 0 : found[k - 1].to + 1, found[k].from - 12);
		return { asked, channels: all.map(({ values }) => values.slice(from, found[k].to + 1)) };
	});
	const answer = solveOrder(gestures);
	return {
		...report(answer, begunLarge(answer.steps)),
		figures: answer.channels.map((ch) =>
			figure('channel-move', ch.channel, {
				part: ch.function,
				name: begunLarge(ch.function),
				unit: ch.channel !== null && ch.reversed ? 'reversed' : '',
				digits: 0,
				note: `${(100 * ch.share).toFixed(0)} % of the movement`,
			}),
		),
		plots: [
			{
				kind: 'lines',
				title: `Of each movement its own channel carried at least ${(100 * Math.min(...answer.channels.map(({ share }) => share))).toFixed(0)} %`,
				xLabel: 'time, s',
				yLabel: 'travel',
				lines: all.slice(0, 4).map(({ name, values }) => ({ label: name, points: points(c.t, values) })),
				marks: ASKED.map((asked, k) => ({ x: c.t[found[k].from], label: asked.replace('-', ' ') })),
			},
		],
	};
});
