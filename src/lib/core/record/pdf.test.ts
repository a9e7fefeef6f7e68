import { describe, expect, it } from 'vitest';
import { lostIn, type PdfDocument } from './pdf';

const of = (text: string): PdfDocument => ({ title: text, under: '', reference: '', blocks: [{ kind: 'text', text }] });

describe('letters of a PDF', () => {
	it('are all there for what is written here, with signs that are written out', () => {
		expect(lostIn(of('Über 3 °C, ±0.2 m, “café”, −4 → 5 ≤ 6 · 7 €'))).toBe('');
	});
	it('are told once each where the fonts do not have them', () => {
		expect(lostIn(of('Łódź Łąka 東'))).toBe('Ł ź ą 東');
	});
});
