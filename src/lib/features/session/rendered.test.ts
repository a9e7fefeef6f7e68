import fc from 'fast-check';
import type { ComponentProps } from 'svelte';
import { render } from 'svelte/server';
import { describe, expect, it, vi } from 'vitest';
import { valueOf } from '$lib/core/facts/facts';
import { FACT_RULES, sameValue } from '$lib/core/facts/keys';
import { AT, drawnSession, played, type Played } from '$lib/core/session/played.fixture';
import type { FactKey } from '$lib/schema/facts';
import type { Session } from '$lib/schema/records';
import type { SessionBundle } from '$lib/store/repository';
import { SessionView } from '../running/sessionView.svelte';
import RenderedSession from './RenderedSession.fixture.svelte';

const { shelf } = vi.hoisted(() => ({ shelf: { bundle: null as unknown } }));
vi.mock('$lib/store/live.svelte', () => ({
	once: () => ({ current: undefined, error: null, ready: true, again: () => undefined }),
	// A view asks for its session first; what else a page asks for is still being read.
	live: () => {
		const { bundle } = shelf;
		shelf.bundle = null;
		return { current: bundle, error: null, ready: bundle !== null };
	},
}));
vi.mock('$app/state', () => ({ page: { url: new URL('http://localhost/session/s/plan'), params: {} } }));
vi.stubGlobal('navigator', {});

type Place = Omit<ComponentProps<typeof RenderedSession>, 'view'>;

/** A played session as its pages see it. */
function viewOf({ aircraft, battery, entries, evidence }: Played): SessionView {
	const session: Session = {
		...evidence.session,
		id: 's',
		title: 'Morning check',
		aircraftId: 'a',
		siteId: 's',
		packId: 'p',
		pilot: 'Ines Marlowe',
		startedAt: AT,
		endedAt: null,
		place: { station: 'plan', task: null },
		head: '',
		updatedAt: AT,
	};
	const bundle: SessionBundle = {
		session,
		aircraft,
		site: evidence.site ?? null,
		pack: battery,
		entries,
		chain: evidence.chain,
	};
	shelf.bundle = bundle;
	return new SessionView(() => 's', AT);
}

/** What a place of a session shows as of now, in one line of text: the report's entries are those of their time. */
function textOf(view: SessionView, place: Place): string {
	return render(RenderedSession, { props: { view, ...place } })
		.body.replace(/<!--.*?-->/gs, '')
		.replace(/<h2[^>]*>Entries<.*/s, '')
		.replace(/<[^>]+>/g, ' ')
		.replace(/&nbsp;/g, ' ')
		.replace(/\s+/g, ' ');
}

const placesOf = (view: SessionView): Place[] => [
	...view.state.stations.map(({ id }) => ({ station: id })),
	{ station: 'return', task: 'way-home' },
	{ station: 'flying' },
	{ station: 'report' },
];

/** How a value in force is written; two values offered for choice and a value that was are not in force. */
const WRITTEN: [key: FactKey, pattern: RegExp][] = [
	['returnAltitudeM', /return altitude:? (\d+(?:\.\d+)?) m\b(?! or| then)/gi],
	['returnSpeedMps', /return speed:? (\d+(?:\.\d+)?) m\/s(?! or| then)/gi],
	['descentMps', /descent speed:? (\d+(?:\.\d+)?) m\/s(?! or| then)/gi],
	['windMps', /\bwind:? (\d+(?:\.\d+)?) m\/s(?! or| then)/gi],
	['gustMps', /\bgusts:? (\d+(?:\.\d+)?) m\/s(?! or| then)/gi],
];

describe('pages of a session', () => {
	it('show one value for one thing, whatever was recorded in whatever order', () => {
		const seen = new Map<FactKey, number>();
		fc.assert(
			fc.property(drawnSession, (drawn) => {
				const view = viewOf(played(drawn));
				for (const place of placesOf(view)) {
					const text = textOf(view, place);
					for (const [key, pattern] of WRITTEN)
						for (const [words, figure] of text.matchAll(pattern)) {
							const inForce = valueOf(view.facts, key);
							seen.set(key, (seen.get(key) ?? 0) + 1);
							expect(
								typeof inForce === 'number' && sameValue(key, Number(figure), inForce),
								`${place.station} ${place.task ?? ''}: ${words}, in force: ${FACT_RULES[key].label} ${inForce}`,
							).toBe(true);
						}
				}
			}),
			{ numRuns: 40 },
		);
		// A pattern that no page writes any more would prove nothing.
		for (const [key] of WRITTEN) expect(seen.get(key) ?? 0, key).toBeGreaterThan(5);
	});

	it('name the charge that a time to turn back counts from, and say no other for the same charge', () => {
		let compared = 0;
		fc.assert(
			fc.property(drawnSession, ({ moves, ...drawn }) => {
				const planned = [
					{ do: 'wind', mps: 3, fromDeg: 250 },
					{ do: 'measure-battery', pct: 97 },
					{ do: 'plan' },
				] as const;
				const view = viewOf(played({ ...drawn, venue: 'open', moves: [...planned, ...moves] }));
				const byCharge = new Map<string, string>();
				for (const place of placesOf(view))
					for (const [words, at, pct] of textOf(view, place).matchAll(
						/turn back (\d+:\d\d) after takeoff from (\d+) %/gi,
					)) {
						expect(byCharge.get(pct) ?? at, `${place.station}: ${words}`).toBe(at);
						byCharge.set(pct, at);
						compared++;
					}
			}),
			{ numRuns: 40 },
		);
		expect(compared).toBeGreaterThan(5);
	});
});
