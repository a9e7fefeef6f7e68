import { BEFORE } from './before';
import { FLIGHT } from './flight';
import type { ItemFacts, Template } from './item';
import { POWER } from './power';

/** Every item there is, in the order of the stations; several of one id where it is asked in several ways. */
export const TEMPLATES: readonly Template[] = [...BEFORE, ...POWER, ...FLIGHT];

const FACTS = new Map<string, ItemFacts>();
for (const { id, faults, lights, controls, place, aid, isEvent, undoneBy } of TEMPLATES)
	if (!FACTS.has(id))
		FACTS.set(id, {
			...(faults && { faults }),
			...(lights && { lights }),
			...(controls && { controls }),
			...(place && { place }),
			...(aid && { aid }),
			...(isEvent && { isEvent }),
			...(undoneBy && { undoneBy }),
		});

/** What an item knows of itself, by its id. */
export const factsOf = (id: string): ItemFacts => FACTS.get(id) ?? {};
