import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { auditSwitches } from '$lib/core/radio/switches';
import { switchesRequestSchema } from '$lib/schema/radio';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	const request = checked(switchesRequestSchema, {
		switches: input.form.switches.map((r) => ({
			name: r.name || 'unnamed',
			channel: r.channel,
			positions: [r.p1, r.p2, r.p3].filter((p) => typeof p === 'number'),
		})),
		ranges: input.form.ranges.map((r) => ({
			does: r.does || 'unnamed',
			role: r.role,
			channel: r.channel,
			low: r.low,
			high: r.high,
		})),
		linkLoss: input.form.linkLoss.map((r) => ({
			channel: r.channel,
			value: r.value,
		})),
	});
	const answer = auditSwitches(request);
	const of = (level: 'fail' | 'caution') => answer.reasons.filter((each) => each.level === level).length;
	return {
		...report(answer, 'Every position gives what its range says'),
		figures: [
			figure('switches-to-change', of('fail'), { digits: 0 }),
			figure('rules-caution', of('caution'), { digits: 0 }),
			figure('switch-positions', answer.positions.length, { digits: 0 }),
		],
		plots:
			request.switches.length === 0
				? []
				: [
						{
							kind: 'ranges' as const,
							title: 'What each position of each switch reaches',
							channels: [...new Set([...request.switches, ...request.ranges].map(({ channel }) => channel))].map(
								(channel) => {
									const own = request.switches.filter((s) => s.channel === channel);
									return {
										label: `Channel ${channel}: ${own.map(({ name }) => name).join(', ') || 'no switch'}`,
										ticks: own.flatMap(({ positions }) => positions.map((at, k) => ({ label: String(k + 1), at }))),
										ranges: request.ranges
											.filter((range) => range.channel === channel)
											.map(({ does, low, high }) => ({ label: does, low, high })),
									};
								},
							),
						},
					],
		tables: [
			{
				title: 'What is active in each position',
				columns: ['switch', 'position', 'value', 'active'],
				rows: answer.positions.map((p) => [p.switch, p.position, p.value, p.active.join(' + ') || 'nothing']),
			},
		],
	};
});
