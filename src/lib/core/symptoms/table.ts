import type { RecentEvent, SymptomKind, SymptomRequest } from '../../schema/symptoms';
import { PHASES } from '../../schema/symptoms';
import raw from './symptoms.json';

export type Level = 'always' | 'usually' | 'sometimes' | 'rarely';
export type Phase = (typeof PHASES)[number];
export type Exposure = 'off' | 'still' | 'powered' | 'ground' | 'hover' | 'flight';
type Kinds = 'all' | readonly SymptomKind[];
type Needs = 'compass' | 'compass2' | 'position' | 'camera';

export interface Observation {
	id: string;
	when: Phase;
	text: string;
	kinds: Kinds;
	noticed: 'striking' | 'plain' | 'if-looked-for';
	/** What it is taken for; holds both ways. */
	like?: readonly string[];
	/** Chance of seeing it without any cause listed. */
	leak?: number;
	/** Nothing with propellers on while it is there; and what ends a flight or a start. */
	locks?: boolean;
	stops?: boolean;
}

export interface Cause {
	id: string;
	group: string;
	text: string;
	/** 0 normal, 1 a nuisance, 2 may lose or damage the aircraft, 3 may hurt somebody or fly away. */
	danger: 0 | 1 | 2 | 3;
	/** Weight by kind; a kind that is not listed cannot have it. */
	kinds: Partial<Record<SymptomKind, number>>;
	after?: Partial<Record<RecentEvent, number>>;
	needs?: Needs;
	remedy: string;
	repeat: readonly string[];
	shows: Readonly<Record<string, Level>>;
}

export interface SymptomTest {
	id: string;
	text: string;
	caution: string;
	exposure: Exposure;
	propellersOff: boolean;
	minutes: number;
	place: 'bench' | 'field' | 'any';
	kinds: Kinds;
	needs?: Needs;
	/** Where the product does it. */
	link?: string;
	seen?: readonly string[];
	reached?: Phase;
	/** Groups of causes that are no danger in it. */
	tolerates?: readonly string[];
	/** The first is always `ok`: nothing found. */
	outcomes: readonly { id: string; text: string; finds?: Readonly<Record<string, Level>> }[];
}

interface Table {
	levels: Readonly<Record<Level, number>>;
	report: {
		hit: number;
		swap: number;
		spurious: number;
		askedSpurious: number;
		mention: number;
		mentionStriking: number;
		cap: number;
	};
	prior: { none: number; pairs: number; pairsAfterNewOrPart: number };
	testing: {
		misread: number;
		falseFinding: number;
		noneFinding: number;
		riskMinutes: Readonly<Record<Exposure, number>>;
		setUpMinutes: number;
	};
	limits: {
		fire: number;
		groundDanger3: number;
		hoverDanger3: number;
		hoverDanger2: number;
		flightDanger3: number;
		flightDanger2: number;
		lookedAtAbove: number;
		noneInTheAir: number;
		settled: number;
		settledLeastTests: number;
		lookFirst: readonly string[];
		afterNoStart: string;
		airReached: Readonly<Record<'ground' | 'hover' | 'flight', Phase>>;
		askMakerNone: number;
		askMakerAfterTests: number;
		leastGainBits: number;
		mostTests: number;
		remedyPersists: number;
		remedyGone: number;
		responseRatio: number;
	};
	equipmentByKind: Readonly<Record<SymptomKind, readonly string[]>>;
	fireCauses: readonly string[];
	repeats: Readonly<Record<string, { text: string; at: string }>>;
	responseFaults: Readonly<Record<string, string | readonly string[] | null>>;
	responseObservations: readonly string[];
	observations: readonly Observation[];
	causes: readonly Cause[];
	tests: readonly SymptomTest[];
}

/** What is known of causes, signs and tests. All levels, weights and minutes are judgement; no field statistics stand behind them. */
export const TABLE = raw as unknown as Table;

/** Place of a phase in a flight's order. */
export const phaseAt = (phase: Phase): number => PHASES.indexOf(phase);

/** What of the table fits an aircraft. */
export interface Fitting {
	causes: readonly Cause[];
	observations: readonly Observation[];
	tests: readonly SymptomTest[];
}

/** Causes, signs and tests that an aircraft of this kind and equipment can have. */
export function fittingTo({ kind, has }: Pick<SymptomRequest, 'kind' | 'has'>): Fitting {
	const usual = TABLE.equipmentByKind[kind];
	const compasses = has.compasses ?? (usual.includes('compass') ? 1 : 0);
	const there: Record<Needs, boolean> = {
		compass: compasses > 0,
		compass2: compasses > 1,
		position: has.position ?? usual.includes('position'),
		camera: has.camera ?? usual.includes('camera'),
	};
	const fits = (needs: Needs | undefined) => needs === undefined || there[needs];
	const ofKind = (kinds: Kinds) => kinds === 'all' || kinds.includes(kind);
	return {
		causes: TABLE.causes.filter(({ kinds, needs }) => kinds[kind] !== undefined && fits(needs)),
		observations: TABLE.observations.filter(({ kinds }) => ofKind(kinds)),
		tests: TABLE.tests.filter(({ kinds, needs }) => ofKind(kinds) && fits(needs)),
	};
}
