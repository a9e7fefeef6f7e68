import { describe, expect, it } from 'vitest';
import { GLOSSARY, termsIn } from './glossary';

const ids = (text: string) => termsIn(text).map(({ id }) => id);

describe('the glossary', () => {
	it('finds the words of a text, and tells heading, position and position hold apart', () => {
		expect(ids('Heading read twice')).toEqual(['heading']);
		expect(ids('Watched in position hold')).toEqual(['position-hold']);
		expect(ids('Its position is stored')).toEqual(['position']);
		expect(ids('Half a minute in height hold, the throttle left alone')).toEqual(['height-hold']);
		expect(ids('Propellers whole: edges smooth')).toEqual([]);
	});
	it('has one entry a word, each found by its own name', () => {
		expect(new Set(GLOSSARY.map(({ id }) => id)).size).toBe(GLOSSARY.length);
		for (const { id, term, says } of GLOSSARY) {
			expect(says.length).toBeGreaterThan(40);
			if (id !== 'hdop' && id !== 'expo') expect(ids(term), term).toContain(id);
		}
	});
});
