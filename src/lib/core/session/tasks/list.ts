import type { Task } from '../task';
import { compass } from './compass';
import { hover } from './hover';
import { indoor } from './indoor';
import { linkLoss } from './linkLoss';
import { feeder, water } from './payload';
import { position } from './position';
import { recordHolds } from './record';
import { returnTest } from './returnTest';
import { siteField } from './siteField';
import { actionHere, wayHome } from './wayHome';
import { troubleshooting } from './troubleshooting';
import { wind } from './wind';

/** The tasks of a session beside the items of its checklist and the sensors of its bench. */
export const TASKS: readonly Task[] = [
	linkLoss,
	water,
	feeder,
	siteField,
	compass,
	indoor,
	position,
	wind,
	actionHere,
	wayHome,
	recordHolds,
	troubleshooting,
	hover,
	returnTest,
];
