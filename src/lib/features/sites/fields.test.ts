import { expect, it } from 'vitest';
import { siteSchema } from '$lib/schema/records';
import { refusal } from '$lib/ui/fields';
import { SITE_FIELDS } from './fields';

it('refusals of a site: named by the label of the field, obstacles by their list', () => {
	const { error } = siteSchema.safeParse({ obstacles: [{}], name: 'S', latDeg: 91, lonDeg: 1, altM: 0, notes: '' });
	const words = error?.issues.map((issue) => refusal(issue, SITE_FIELDS)).join('\n') ?? '';
	expect(words).toMatch(/^Latitude: /m);
	expect(words).toMatch(/^Obstacles: /m);
});
