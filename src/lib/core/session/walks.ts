import { session as say } from '$lib/messages/session';
import { valueIn } from '../figures/figure';
import type { Reason, Verdict } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import type { Aircraft, StationId } from '../../schema/records';
import { WALKS, type WalkId } from './taskPage';
import { undoneBy } from './checklist/undoes';
import { judge, reason } from '../finding/reasons';
import { hasPart, isFactory } from '../aircraft/capabilities';
import { LINES, propellerSteps, sideSteps, SPREADER, STRAPS, type WalkStep } from './walkSteps';

export const isWalk = (id: string | undefined): id is WalkId => WALKS.some((walk) => walk === id);

export interface Walk {
	id: WalkId;
	/** The item of the checklist that it answers. */
	item: string;
	station: StationId;
	title: string;
	caution: string;
	passed: string;
	/** What the margin says of it. */
	why: string;
	/** Whether pictures belong to it. */
	photos?: true;
	steps: readonly WalkStep[];
}

/** What was seen of a step: as it should be, or which of its wrongs. A step nobody answered is not there. */
export type WalkAnswers = Readonly<Record<string, string>>;
export const GOOD = 'good';

/** A walk as it is for this aircraft. */
export function walkOf(id: WalkId, aircraft: Aircraft): Walk {
	switch (id) {
		case 'propellers':
			return {
				id,
				item: 'props-on',
				station: 'power-up',
				title: 'Propeller by propeller',
				steps: propellerSteps(aircraft),
				caution: isFactory(aircraft)
					? 'Switched off while propellers are touched; by the maker’s manual.'
					: 'Pack unplugged while propellers are fitted. Use the tool, not pliers.',
				passed: 'Every propeller is of the right hand, the right way up, whole and tight',
				why: 'A propeller of the wrong hand or upside down looks right until the throttle comes up: then it stays on the ground or turns over.',
			};
		case 'straps':
			return {
				id,
				item: 'leads',
				station: 'bench',
				title: 'Straps, lead and plug',
				steps: STRAPS,
				photos: true,
				caution: 'Propellers off, or the pack unplugged, while hands are between the arms.',
				passed: 'The pack is held by two straps; lead and plug cannot reach a propeller',
				why: 'A cut lead ends the flight and the pack. Several tries are usual; a photo of how it lay when it was good saves the next ones.',
			};
		case 'obstacle-sides':
			return {
				id,
				item: 'obstacle-sides',
				station: 'power-up',
				title: 'Obstacle sensors, side by side',
				steps: sideSteps(aircraft),
				caution:
					'Propellers standing still, disarmed, by two persons for a large aircraft. Never tried by flying at a person.',
				passed: 'Every side that it should see was shown',
				why: 'Its display is a hint: thin branches, wires, glass and water are seen from no side, and in low sun a side may be blind.',
			};
		case 'spray-lines':
			return {
				id,
				item: 'lines-vented',
				station: 'bench',
				title: 'Lines vented, front and rear',
				steps: LINES,
				photos: true,
				caution: 'Water, not the product. Propellers off. Stand beside the nozzles, never before them.',
				passed: 'Lines are vented front and rear, and every nozzle sprays evenly',
				why: 'Air in a line gives less than is set, and looks like a weak pump.',
			};
		case 'spreader-steps':
			return {
				id,
				item: 'spreader-ready',
				station: 'bench',
				title: 'Spreader, step by step',
				steps: SPREADER,
				caution:
					'Power off and pack out while tank and spreader are exchanged. Propellers off. No finger in the feeder.',
				passed: 'The spreader is fitted, its mode is read back, feeder and fan follow',
				why: 'The same aircraft with the other load gives the wrong amount, or nothing, all day.',
			};
	}
}

/** The walk that answers an item on this aircraft; null where there is nothing to walk along. */
export function walkFor(item: string, aircraft: Aircraft): WalkId | null {
	if (item === 'obstacle-sides')
		return hasPart(aircraft, 'obstacle') && (aircraft.obstacleSides?.length ?? 0) > 0 ? 'obstacle-sides' : null;
	return WALKS.find((id) => walkOf(id, aircraft).item === item) ?? null;
}

/** What earlier walks say: how often since a part was changed, and when each thing was last as it should be. */
export interface Before {
	times: number;
	/** The change of a part that the count begins with. */
	since: string | null;
	last: readonly { name: string; at: string | null }[];
}

/** The name under which a step's answer is kept among the figures of a walk. */
export const figureOf = ({ id, name }: WalkStep): string => (name === id ? name : `${name}: ${id}`);

export function walkedBefore(walk: Walk, entries: readonly Entry[], events: Aircraft['events']): Before {
	const since =
		events
			.filter((event) => event.kind === 'part' && undoneBy(event.kind, event).has(walk.id))
			.map(({ at }) => at)
			.toSorted()
			.at(-1) ?? null;
	const newest = entries.toSorted((a, b) => (a.at < b.at ? 1 : -1));
	const good = (entry: Entry, step: string) =>
		entry.payload.kind === 'test' && valueIn(entry.payload.figures, 'inspected', step) === 1;
	return {
		since,
		times: newest.filter(({ at }) => since === null || at > since).length,
		last: walk.steps.map((one) => ({
			name: one.name,
			at: newest.find((entry) => good(entry, one.id))?.at ?? null,
		})),
	};
}

/**
 * What a walk shows: each wrong thing with its remedy, and whether all were looked at. A walk that is not whole passes nothing. A side
 * that does not see is a caution, since it can be flown by knowing it; anything else that is wrong holds.
 */
export function judgeWalk(walk: Walk, answers: WalkAnswers): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const level: Verdict = walk.id === 'obstacle-sides' ? 'caution' : 'fail';
	const out: Reason[] = [];
	for (const { id, name, wrong } of walk.steps) {
		const found = wrong.find((one) => one.id === answers[id]);
		if (found)
			out.push(
				reason(level, {
					...say('walk-found', { name, shows: found.text, remedy: found.next }),
					code: `${walk.id}-${found.id}`,
				}),
			);
	}
	const open = walk.steps.filter(({ id }) => answers[id] === undefined);
	if (open.length > 0)
		out.push(
			reason(level, say('insufficient-walk', { parts: [...new Set(open.map(({ name }) => name))] }), {
				value: walk.steps.length - open.length,
				limit: { value: walk.steps.length, unit: 'looked at', source: 'every one of them' },
			}),
		);
	if (out.length === 0)
		out.push(reason('pass', say('walk-whole', { passed: walk.passed }), { value: walk.steps.length }));
	const judged = judge(out);
	const [{ text }] = judged.reasons;
	return { ...judged, headline: out.length === 1 ? text : `${text} And ${out.length - 1} more.` };
}
