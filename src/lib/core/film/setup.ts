import type { HoverRequest } from '../../schema/hover';

/** What is known about a film besides its track. */
export interface FilmSetup {
	/** From motor to motor as seen from the phone, metres. */
	spanM: number;
	/** The mark was made on the full picture, not on a small one. */
	markedLarge: boolean;
	/** Focal length in pixels of the track's pictures; left out where it is not known. */
	fPx?: number;
	/** How steeply the phone looked up, degrees: 90 on its back. */
	elevationDeg: number;
	hold: HoverRequest['hold'];
	/** The pilot saw the circle on the aircraft in every picture shown. */
	confirmed: boolean;
}
