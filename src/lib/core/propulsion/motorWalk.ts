import { propulsion as say } from '$lib/messages/propulsion';
import type { Reason, Verdict } from '../../schema/common';
import type { Layout } from '../../schema/response';
import { judge, reason } from '../finding/reasons';
import { motorsOf } from './layouts';

export type Spin = 'front-inward' | 'front-outward';

/** What was seen when one motor was asked to turn, propellers off. */
export interface MotorSeen {
	/** The one that was asked. */
	asked: string;
	/** The one that turned; null where none did. */
	turned: string | null;
	/** Seen from above: +1 clockwise, −1 the other way; null where it was not seen. */
	way: 1 | -1 | null;
}

export interface WalkFinding {
	headline: string;
	verdict: Verdict;
	reasons: Reason[];
}

const SIDES: Record<string, string> = { F: 'front', B: 'rear', L: 'left', R: 'right', U: 'upper', D: 'lower' };

/** A motor of a layout in words: "front left". */
export function motorWords(name: string, layout: Layout): string {
	// Three arms with two each: the last letter is upper or lower, not left.
	const coaxial = layout === 'y6' && /^(FL|FR|B)(U|L)$/.exec(name);
	if (coaxial) return `${[...coaxial[1]].map((c) => SIDES[c]).join(' ')}, ${coaxial[2] === 'U' ? 'upper' : 'lower'}`;
	return [...name].map((c) => SIDES[c] ?? c).join(' ');
}

/** The usual layout of so many rotors; null where there is none. */
export const usualLayout = (rotors: number): Layout | null =>
	(({ 4: 'quad-x', 6: 'hex-x', 8: 'octo-x' }) as const)[rotors] ?? null;

/** Motors that answered for one another, each chain once. */
function exchanged(seen: readonly MotorSeen[]): string[][] {
	const answers = new Map(seen.flatMap(({ asked, turned }) => (turned === null ? [] : [[asked, turned] as const])));
	const done = new Set<string>();
	return [...answers].flatMap(([asked]) => {
		const chain: string[] = [];
		for (let at: string | undefined = asked; at !== undefined && !done.has(at); at = answers.get(at)) {
			done.add(at);
			chain.push(at);
		}
		return chain.length > 1 ? [chain] : [];
	});
}

/**
 * What a walk from motor to motor shows, propellers off: which outputs are exchanged, which motors turn the wrong way, which are
 * silent, and the remedy of each. A walk that is not whole passes nothing.
 */
export function judgeMotorWalk(layout: Layout, spin: Spin, seen: readonly MotorSeen[]): WalkFinding {
	const motors = motorsOf(layout, spin);
	const words = (name: string) => motorWords(name, layout);
	const plan = new Map(motors.map((m) => [m.name, m.spin]));
	const out: Reason[] = [];
	const silent = seen.filter(({ turned }) => turned === null);
	for (const { asked } of silent) out.push(reason('fail', say('motor-silent', { motor: words(asked) })));
	const chains = exchanged(seen);
	for (const chain of chains) out.push(reason('fail', say('outputs-exchanged', { motors: chain.map(words) })));
	const turned = seen.filter((s): s is MotorSeen & { turned: string } => s.turned !== null && s.way !== null);
	const wrong = turned.filter(({ turned: name, way }) => plan.get(name) !== way).map(({ turned: name }) => name);
	const whole = seen.length === motors.length && silent.length === 0 && turned.length === motors.length;
	if (wrong.length > 0 && wrong.length === turned.length && turned.length > 1)
		out.push(reason('fail', say('all-reversed')));
	else for (const name of wrong) out.push(reason('fail', say('motor-reversed', { motor: words(name) })));
	if (!whole && silent.length === 0)
		out.push(reason('fail', say('insufficient-walk', { seen: turned.length, motors: motors.length })));
	if (out.length === 0)
		out.push(reason('pass', say('motors-as-planned', { motors: motors.length }), { value: motors.length }));
	return {
		...judge(out),
		headline: out.length === 1 || out[0].level === 'pass' ? out[0].text : `${out[0].text} And ${out.length - 1} more.`,
	};
}
