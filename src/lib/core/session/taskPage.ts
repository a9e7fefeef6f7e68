/** Inspections from thing to thing. */
export const WALKS = ['propellers', 'straps', 'obstacle-sides', 'spray-lines', 'spreader-steps'] as const;
export type WalkId = (typeof WALKS)[number];

/** Tasks that are done on a page of their own. */
export type TaskPage =
	| WalkId
	| 'bench-due'
	| 'conflict'
	| 'self-righting'
	| 'compass'
	| 'hover'
	| 'indoor'
	| 'link-loss'
	| 'measure-feed'
	| 'motor-walk'
	| 'surface-grid'
	| 'measure-flow'
	| 'position'
	| 'record'
	| 'response-stop'
	| 'return-test'
	| 'site-field'
	| 'temperatures'
	| 'trim'
	| 'troubleshooting'
	| 'way-home'
	| 'wind';
