import type { FigureName } from '../figures/catalogue';
import { figure, findFigure, valueIn } from '../figures/figure';
import type { Reason, Verdict } from '../../schema/common';
import type { TestPayload } from '../../schema/entries';
import type { Aircraft, Pack, Site, Venue } from '../../schema/records';
import type { HomePlan } from '../return/planned';
import { CURVE } from '../propulsion/flownFlights';
import { restV } from '../propulsion/charge';
import { bearingWord } from '../../words/bearing';
import { clock } from '../../words/clock';
import { wholeQuantity, type UnitSystem } from '../../words/units';
import { judge } from '../finding/reasons';
import { usedFacts, valueOf, type Facts } from '../facts/facts';
import type { PlannedReturn } from '../facts/flightClock';
import { Z_90 } from '../math/normal';
import { actionAt, RESERVE_PCT, RETURN_USES, type HomeRequest } from './homePlan';

/** What of a session the finding of its way home speaks about. */
export interface HomeAround {
	aircraft: Aircraft;
	site: Site | null;
	pack: Pack | null;
	venue: Venue | undefined;
	units: UnitSystem;
	facts: Facts;
}

/** When to turn back, as the pilot reads it. */
export interface TurnBack {
	/** After take-off, s: so early that nine packs in ten are enough; on average; one sigma of that. */
	carefulS: number;
	s: number;
	sigmaS: number;
	/** Charge then, %, and what a cell shows at rest, V; null where the pack shows no volts. */
	pct: number;
	cellV: number | null;
	/** The charge that it is planned from, %. */
	startPct: number;
}

/** What was found, as headline, figures, reasons and verdict. */
export interface HomeFinding {
	headline: string;
	verdict: Verdict;
	reasons: Reason[];
	turnBack: TurnBack;
	/** What stands in its way. */
	obstacle: NonNullable<Site['obstacles']>[number] | null;
	figures: TestPayload['figures'];
}

/** What a recorded return plan says about turning back; null for records that lack a figure of it. */
export function plannedReturn({ figures }: Pick<TestPayload, 'figures'>): PlannedReturn | null {
	const [turnBackMin, homeS] = [valueIn(figures, 'turn-back-by'), valueIn(figures, 'return-time')];
	const power = findFigure(figures, 'hover-power');
	if (turnBackMin === null || homeS === null || typeof power?.value !== 'number') return null;
	// Plans on record before the charge was kept were made for a full battery.
	const startPct = valueIn(figures, 'planned-charge') ?? 100;
	return { turnBackMin, homeS, startPct, hoverW: power.value, hoverSigmaW: power.sigma ?? 0 };
}

function headlineOf(plan: HomePlan, turnBack: TurnBack, obstacle: HomeFinding['obstacle'], around: HomeAround): string {
	const { aircraft, venue, units, facts } = around;
	const action = valueOf(facts, 'failsafeAction');
	const here = actionAt(venue, action);
	const from = `${wholeQuantity(plan.worst.distanceM, 'height', units)} ${bearingWord(plan.worst.bearingDeg)}`;
	if (here?.level === 'fail') return here.text;
	if (obstacle && plan.answer.verdict === 'fail') return `From ${from} it would come home into ${obstacle.name}`;
	if (plan.answer.verdict === 'fail' || (action ?? 'return') !== 'return')
		return `From ${from}: ${plan.answer.reasons[0].text}`;
	return `From ${from}, the worst place, ${aircraft.name} comes home; turn back ${clock(turnBack.carefulS)} after takeoff from ${turnBack.startPct.toFixed(0)} %`;
}

/** The plan of a way home as it is told and kept. */
export function homeFinding(
	plan: HomePlan,
	{ request, powerSigmaLn, nominalWh, startPct }: HomeRequest,
	around: HomeAround,
): HomeFinding {
	const { pack, site, venue, facts } = around;
	const pct = Math.max(RESERVE_PCT, (100 * plan.turnBackLeftWh) / nominalWh);
	const turnBack: TurnBack = {
		...plan.turnBack,
		// Whole seconds: shown, recorded and counted down, it is the same.
		carefulS: Math.floor(plan.turnBack.carefulS),
		startPct,
		// The careful time is that of nine in ten.
		sigmaS: (plan.turnBack.s - plan.turnBack.carefulS) / Z_90,
		pct,
		cellV: !pack || pack.chemistry === 'percent' ? null : restV(CURVE[pack.chemistry ?? 'lipo'], pct),
	};
	const here = actionAt(venue, valueOf(facts, 'failsafeAction'));
	const obstacle = plan.worst.obstacle === null ? null : (site?.obstacles?.[plan.worst.obstacle] ?? null);
	const { reasons, verdict } = judge([...(here ? [here] : []), ...plan.answer.reasons]);
	const rounded = (name: FigureName, value: number | null, sigma?: number) =>
		figure(name, value === null ? null : Math.round(100 * value) / 100, { sigma });
	const { hoverW } = request.aircraft;
	return {
		headline: headlineOf(plan, turnBack, obstacle, around).slice(0, 400),
		verdict,
		reasons,
		turnBack,
		obstacle,
		figures: [
			rounded('turn-back-by', turnBack.carefulS / 60, turnBack.sigmaS / 60),
			rounded('turn-back-charge', turnBack.pct),
			...(turnBack.cellV === null ? [] : [rounded('turn-back-voltage', turnBack.cellV)]),
			rounded('farthest-place', plan.worst.distanceM),
			rounded('farthest-bearing', plan.worst.bearingDeg),
			rounded('land-energy', plan.answer.landWithWh),
			rounded('return-time', plan.answer.totalTimeS),
			rounded('clearance', plan.answer.clearance.minM),
			rounded('hover-power', hoverW, hoverW * powerSigmaLn),
			rounded('planned-charge', startPct),
		],
	};
}

/** The finding as an entry of the record. */
export const homeEntry = (
	{ headline, verdict, reasons, figures }: HomeFinding,
	{ aircraft, site, pack, facts }: HomeAround,
	grade: TestPayload['grade'],
): TestPayload => ({
	kind: 'test',
	task: 'way-home',
	headline,
	verdict,
	reasons,
	figures,
	...(grade ? { grade } : {}),
	uses: usedFacts(facts, RETURN_USES),
	sourceName:
		`settings of ${aircraft.name}, ${site?.name ?? 'no place'}, wind of today, pack ${pack?.name ?? ''}`.slice(0, 200),
});
