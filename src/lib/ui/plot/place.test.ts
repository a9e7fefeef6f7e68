import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LABEL_LINE, placeLabels, rowsOf, spread, type Box } from './place';

const numbers = fc.array(fc.double({ min: -50, max: 250, noNaN: true }), { minLength: 1, maxLength: 12 });

describe('labels at the ends of lines', () => {
	it('stay where they are wanted where there is room', () => {
		expect(spread([100, 20, 60], 0, 200)).toEqual([100, 20, 60]);
	});
	it('stand a line apart, inside, and keep their order', () => {
		fc.assert(
			fc.property(numbers, (wanted) => {
				const placed = spread(wanted, 0, 200);
				const step = Math.min(LABEL_LINE, 200 / Math.max(1, wanted.length - 1));
				const order = wanted.map((_, k) => k).sort((a, b) => wanted[a] - wanted[b]);
				order.forEach((k, i) => {
					expect(placed[k]).toBeGreaterThanOrEqual(-1e-9);
					expect(placed[k]).toBeLessThanOrEqual(200 + 1e-9);
					if (i > 0) expect(placed[k] - placed[order[i - 1]]).toBeGreaterThanOrEqual(step - 1e-9);
				});
			}),
		);
	});
});

describe('labels beside marks', () => {
	it('share a row only where none runs into the next', () => {
		const label = fc.record({ from: fc.integer({ min: 0, max: 300 }), width: fc.integer({ min: 1, max: 120 }) });
		fc.assert(
			fc.property(fc.array(label, { maxLength: 10 }), (given) => {
				const labels = given.map(({ from, width }) => ({ from, to: from + width }));
				const rows = rowsOf(labels);
				for (let i = 0; i < labels.length; i++)
					for (let j = 0; j < i; j++)
						if (rows[i] === rows[j])
							expect(labels[i].from >= labels[j].to || labels[j].from >= labels[i].to).toBe(true);
			}),
		);
	});
	it('take one row where they are far apart', () => {
		expect(
			rowsOf([
				{ from: 100, to: 140 },
				{ from: 0, to: 90 },
			]),
		).toEqual([0, 0]);
	});
});

describe('labels of points on a map', () => {
	const apart = (a: Box, b: Box) =>
		a.x + a.width <= b.x + 1e-9 ||
		b.x + b.width <= a.x + 1e-9 ||
		a.y + a.height <= b.y + 1e-9 ||
		b.y + b.height <= a.y + 1e-9;
	it('never cover one another where points lie apart, nor leave the map', () => {
		const grid = [60, 130, 200, 270, 340];
		const cell = fc.record({ x: fc.constantFrom(...grid), y: fc.constantFrom(...grid) });
		const cells = fc.uniqueArray(cell, { minLength: 2, maxLength: 6, selector: ({ x, y }) => `${x} ${y}` });
		fc.assert(
			fc.property(cells, (points) => {
				const boxes = placeLabels(
					points.map((p) => ({ ...p, label: 'aircraft' })),
					400,
				);
				boxes.forEach((box, i) => {
					expect(box.x).toBeGreaterThanOrEqual(0);
					expect(box.x + box.width).toBeLessThanOrEqual(400);
					for (let j = 0; j < i; j++) expect(apart(box, boxes[j])).toBe(true);
				});
			}),
		);
	});
	it('leave what is taken free', () => {
		const taken = { x: 200, y: 170, width: 120, height: 30 };
		const [box] = placeLabels([{ x: 200, y: 200, label: 'home' }], 400, [taken]);
		expect(apart(box, taken)).toBe(true);
	});
});
