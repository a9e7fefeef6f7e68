import { freeHands } from '$lib/rig/turning';

/** The pilot's own hands on the practice aircraft: turned by pointer and keys, followed by the rig. */
export const hands = freeHands();

const KEY_DEG = 12;
const DRAG_DEG_PER_PX = 0.5;

/** Turns by a key; true where the key is one of the hands'. */
export function turnByKey(key: string): boolean {
	switch (key) {
		case 'ArrowUp':
			hands.turn([0, 1, 0], -KEY_DEG);
			return true;
		case 'ArrowDown':
			hands.turn([0, 1, 0], KEY_DEG);
			return true;
		case 'ArrowLeft':
			hands.turn([1, 0, 0], -KEY_DEG);
			return true;
		case 'ArrowRight':
			hands.turn([1, 0, 0], KEY_DEG);
			return true;
		case 'q':
			hands.spin(-KEY_DEG);
			return true;
		case 'e':
			hands.spin(KEY_DEG);
			return true;
		default:
			return false;
	}
}

/** Turns by a drag: across turns about the vertical, along tips the nose. */
export function turnByDrag(dx: number, dy: number): void {
	hands.spin(dx * DRAG_DEG_PER_PX);
	hands.turn([0, 1, 0], -dy * DRAG_DEG_PER_PX);
}
