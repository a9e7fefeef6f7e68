import { readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { judgeReturn } from '$lib/core/return/returnTest';
import { reason } from '$lib/core/finding/reasons';
import { reasonSchema } from '$lib/schema/common';
import { area, sayIn, wordedIn } from './message';

const say = area('message-test', {
	wide: ({ metres, name }: { metres: number; name: string }, show) => ({
		text: `${name} is ${show.length(metres, 1)} wide.`,
		next: `Fly round it at ${show.speed(2, 0)}.`,
	}),
	'wide#plain': { text: 'It is wide.' },
});
const wide = reason('caution', say('wide', { metres: 12.34, name: 'Gate 5 m' }));

describe('a message', () => {
	it('is worded in SI units where it is made, and carries what words it again', () => {
		expect(wide).toEqual({
			code: 'wide',
			level: 'caution',
			text: 'Gate 5 m is 12.3 m wide.',
			next: 'Fly round it at 2 m/s.',
			wording: { key: 'message-test/wide', args: { metres: 12.34, name: 'Gate 5 m' } },
		});
		expect(reasonSchema.parse(JSON.parse(JSON.stringify(wide)))).toEqual(wide);
	});

	it('keeps its code where a code has several wordings, and carries no arguments where it takes none', () => {
		expect(reason('pass', say('wide#plain'))).toEqual({ code: 'wide', level: 'pass', text: 'It is wide.' });
	});

	it.each([
		['imperial', 'Gate 5 m is 40.4 ft wide.', 'Fly round it at 4.5 mph.'],
		['nautical', 'Gate 5 m is 40.4 ft wide.', 'Fly round it at 3.9 kn.'],
		['kmh', 'Gate 5 m is 12.3 m wide.', 'Fly round it at 7.2 km/h.'],
		['metric', 'Gate 5 m is 12.3 m wide.', 'Fly round it at 2 m/s.'],
	] as const)('in %s units converts its quantities, never a name', (units, text, next) => {
		expect(wordedIn(wide, units)).toEqual({ text, next });
	});

	it('stays as it was shown where its area or code is not known', () => {
		const told = { text: 'It stood 3 m off.', next: 'Look.' };
		for (const wording of [undefined, { key: 'message-test/gone', args: {} }, { key: 'nowhere/wide', args: {} }])
			expect(wordedIn({ ...told, wording }, 'imperial')).toEqual(told);
	});
});

describe('words of a task or an entry', () => {
	it('are worded again where they are a reason’s sentence, with or without its full stop, or its next action', () => {
		expect(sayIn('Gate 5 m is 12.3 m wide', [wide], 'imperial')).toBe('Gate 5 m is 40.4 ft wide');
		expect(sayIn('Gate 5 m is 12.3 m wide.', [wide], 'imperial')).toBe('Gate 5 m is 40.4 ft wide.');
		expect(sayIn('Fly round it at 2 m/s.', [wide], 'imperial')).toBe('Fly round it at 4.5 mph.');
	});

	it('stay as a pilot wrote them', () => {
		expect(sayIn('Hit the post 3 m up', [wide], 'imperial')).toBe('Hit the post 3 m up');
	});

	it('follow a return that was flown', () => {
		const { headline, reasons } = judgeReturn({
			trigger: 'switch',
			distanceM: 60,
			heightM: 15,
			minDistanceM: 10,
			returnHeightM: 15,
			seenS: { turned: 2, climbed: null, overhead: 26, descending: 30, down: 50, disarmed: 55 },
			takenOverS: null,
			planned: null,
		});
		expect(headline).toBe('Returned by switch from 60 m and landed by itself');
		expect(sayIn(headline, reasons, 'imperial')).toBe('Returned by switch from 200 ft and landed by itself');
	});
});

it('the catalogue has every area', async () => {
	const files = readdirSync(import.meta.dirname).filter((name) => !/^(message|catalogue)|\.test\./.test(name));
	const { default: source } = await import('./catalogue.ts?raw');
	for (const file of files) expect(source).toContain(`import './${file.replace('.ts', '')}'`);
});
