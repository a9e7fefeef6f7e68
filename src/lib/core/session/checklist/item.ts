import type { EventKind } from '../../../schema/entries';
import type { ControlUse, Crew, Site, StationId } from '../../../schema/records';
import type { StatedFact } from '../../../schema/facts';
import type { Quantity } from '../../../words/units';
import type { TaskPage } from '../taskPage';
import type { Condition, Setting } from './conditions';

/** What makes a measured value acceptable: limits in SI, and where they come from. */
export interface ValueLimit {
	low?: number | undefined;
	high?: number | undefined;
	unit: string;
	quantity?: Quantity;
	source: string;
	/** What such a thing can be at all; anything else is a slip. */
	possible: { low: number; high: number };
	/** A cell's share of what a meter shows of the whole pack. */
	perCell?: true;
}

/** A step of the ladder of first flights: what it is flown in, for how long, what is watched and what ends it. */
export interface Rung {
	/** The mode, and where the throttle stick is before it is switched to. */
	mode: ControlUse;
	stick: string;
	seconds: number;
	watch: string;
	ends: string;
	/** Gusts above which it waits for another day, m/s. */
	gustMps: number;
}

/** What was entered of a place that an item can be about. */
export type SiteField = keyof Pick<Site, 'approach' | 'hazards' | 'cleanSpot' | 'rules'>;

/** What an item knows of itself whatever the aircraft: written with the first template of an id, and true of all of that id. */
export interface ItemFacts {
	/** Problems that pilots find; words of one's own are always possible. */
	faults?: readonly string[];
	/** Moments of the aircraft's light table that it is about. */
	lights?: readonly string[];
	/** Uses of the transmitter's switches that it is about, or every switch. */
	controls?: readonly ControlUse[] | 'all';
	/** What of the place is shown with it. */
	place?: readonly SiteField[];
	/** What is shown beside the question: motors and their propellers, the pilot's last flights by hand, sunset. */
	aid?: 'propellers' | 'own-hands' | 'daylight';
	/** A problem with it is an event of the aircraft, which is logged. */
	isEvent?: true;
	/** Events after which an earlier answer does not count. */
	undoneBy?: readonly EventKind[];
}

export interface Item extends ItemFacts {
	id: string;
	station: StationId;
	/**
	 * tick: looked at; measure: a value with limits; wait: a timed wait; confirm: done after reading the caution; nudge: answered as
	 * clean, doubtful or wrong, and what was seen instead.
	 */
	type: 'tick' | 'measure' | 'wait' | 'confirm' | 'nudge';
	text: string;
	why: string;
	caution?: string;
	limit?: ValueLimit;
	waitS?: number;
	/** Seconds from the plug until it must stand: counted down before the wait begins. */
	setDownS?: number;
	/** What it means for the flight when it fails. */
	weight: 'hold' | 'caution';
	/** How an answer is known where it is not by eye: a value read from a display. */
	grade?: 'read-off';
	/** It is never left undone. */
	must?: true;
	/** Reasons for leaving it undone that pilots have; words of one's own are always possible. */
	offered?: readonly string[];
	/** Answers to choose from in place of one OK, each with the value that it states. */
	choices?: readonly { words: string; states: StatedFact }[];
	/** Role that the crew of the session must have, where one is named, for an OK to count. */
	role?: Crew['role'];
	/** Why it stands on this list; empty where every flight has it. */
	because: string;
	/** The instrument that answers it by measuring. */
	opens?: string;
	/** A step of the ladder: a fault in it ends the ladder until something was changed. */
	rung?: Rung;
	/** A page of its own that answers it step by step, and what its button says. */
	page?: { of: TaskPage; words: string };
	/** A page of the aircraft that helps to answer it, and what its button says. */
	link?: { to: 'settings'; words: string };
	/** The task that its finding is kept under, where that finding answers the whole item. */
	found?: string;
}

/** An item as it is written down: with the conditions under which it is asked, all of which must hold. */
export interface Template extends Omit<Item, 'because' | 'limit' | 'text' | 'rung' | 'choices'> {
	text: string | ((setting: Setting) => string);
	when?: readonly Condition[];
	limit?: ValueLimit | ((setting: Setting) => ValueLimit);
	rung?: Rung | ((setting: Setting) => Rung);
	choices?: (setting: Setting) => Item['choices'];
}

/** Cautions that more than one item carries. */
export const PROPS_OFF = 'Propellers off. Fingers and leads clear of the motors.';
export const THROTTLE_ZERO =
	'Propellers off, throttle at zero. If a motor does not start, stop: it is an electrical fault.';
export const STAND_CLEAR = 'Stand clear of the propellers from here on.';
export const STOP_AT_ONCE =
	'Three metres back, tail toward you. At the first strange sign, a bounce, a rev, a creep: disarm; never raise the throttle.';

/** Events after which what is seen under power, and in the air, is seen again. */
export const HANDLING: readonly EventKind[] = ['new', 'firmware', 'settings', 'knock', 'part', 'odd-flight'];
/** Events after which the start is watched again. */
export const STARTING: readonly EventKind[] = ['new', 'firmware', 'unplugged'];
/** Events after which a setting is read again. */
export const SETTING: readonly EventKind[] = ['new', 'firmware', 'settings'];
/** Events after which what can come loose, bend or break is looked at again. */
export const KNOCKS: readonly EventKind[] = ['new', 'knock', 'part'];
/** Events after which what was built or fitted is tried again. */
export const BUILDING: readonly EventKind[] = ['new', 'part'];
