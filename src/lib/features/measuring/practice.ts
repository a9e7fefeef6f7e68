import { getContext, setContext } from 'svelte';

const KEY = Symbol('practice');

/** Says for all that stands below whether simulated data are offered: not in a real session. Call while a component is set up. */
export const allowPractice = (allowed: () => boolean): void => void setContext(KEY, allowed);

/** Whether simulated data are offered here. Call while a component is set up. */
export const practiceAllowed = (): (() => boolean) => getContext<(() => boolean) | undefined>(KEY) ?? (() => true);

/** Said beside every finding from simulated data. */
export const PRACTICE_WORDS = 'Practice data, made on this device. Nothing of it is evidence.';
