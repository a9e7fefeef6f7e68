import type { Mat3 } from '$lib/core/frames/mat3';

export interface Scene3d {
	/** Shows the aircraft in an attitude (body → north, east, down). */
	show(attitude: Mat3): void;
	dispose(): void;
}

/** Opens a WebGL scene of a plain aircraft; the drawing library is loaded only now. Rejects where there is no WebGL. */
export async function openScene(canvas: HTMLCanvasElement, rotors: number): Promise<Scene3d> {
	const three = await import('three');
	const renderer = new three.WebGLRenderer({ canvas, antialias: true, alpha: true });
	const scene = new three.Scene();
	const camera = new three.PerspectiveCamera(34, 1, 0.1, 50);
	// North is away from the eye (−z), east to the right (x), up is y.
	camera.position.set(0, 2.6, 5);
	camera.lookAt(0, 0, 0);
	const sun = new three.DirectionalLight(0xffffff, 2.2);
	sun.position.set(2, 5, 3);
	scene.add(new three.AmbientLight(0xffffff, 1.3), sun);

	const ink = new three.MeshLambertMaterial({ color: 0x3a4560 });
	const under = new three.MeshLambertMaterial({ color: 0xb9c0cf, side: three.DoubleSide });
	const nose = new three.MeshLambertMaterial({ color: 0xd99a1f });
	const craft = new three.Group();
	const body = new three.Mesh(new three.BoxGeometry(0.8, 0.22, 0.5), ink);
	const arrow = new three.Mesh(new three.ConeGeometry(0.17, 0.6, 16), nose);
	arrow.rotation.z = -Math.PI / 2;
	arrow.position.x = 0.72;
	craft.add(body, arrow);
	for (const side of [-0.3, 0.3]) {
		const skid = new three.Mesh(new three.BoxGeometry(0.9, 0.06, 0.06), ink);
		skid.position.set(0, -0.42, side * 1.3);
		craft.add(skid);
		for (const along of [-0.2, 0.2]) {
			const leg = new three.Mesh(new three.BoxGeometry(0.05, 0.42, 0.05), ink);
			leg.position.set(along, -0.21, side * 1.15);
			craft.add(leg);
		}
	}
	if (rotors === 0) {
		const wing = new three.Mesh(new three.BoxGeometry(0.5, 0.06, 2.6), ink);
		wing.position.x = -0.1;
		craft.add(wing);
	}
	for (let k = 0; k < rotors; k++) {
		const a = (2 * Math.PI * (k + 0.5)) / rotors;
		const arm = new three.Mesh(new three.CylinderGeometry(0.05, 0.05, 1.2), ink);
		arm.rotation.z = Math.PI / 2;
		const holder = new three.Group();
		arm.position.x = 0.6;
		const disc = new three.Mesh(new three.CylinderGeometry(0.42, 0.42, 0.03, 24), under);
		disc.position.set(1.2, 0.12, 0);
		holder.add(arm, disc);
		holder.rotation.y = -a;
		craft.add(holder);
	}
	scene.add(craft);

	const fit = () => {
		const { clientWidth: w, clientHeight: h } = canvas;
		renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
		renderer.setSize(w, h, false);
		camera.aspect = w / Math.max(1, h);
		camera.updateProjectionMatrix();
	};
	fit();
	const resized = new ResizeObserver(fit);
	resized.observe(canvas);
	return {
		show(a) {
			// Model axes: x forward, y up, z right. Scene axes: x east, y up, z south.
			const column = (v: readonly [number, number, number]) => [
				a[1][0] * v[0] + a[1][1] * v[1] + a[1][2] * v[2],
				-(a[2][0] * v[0] + a[2][1] * v[1] + a[2][2] * v[2]),
				-(a[0][0] * v[0] + a[0][1] * v[1] + a[0][2] * v[2]),
			];
			const [fx, fy, fz] = [column([1, 0, 0]), column([0, 0, -1]), column([0, 1, 0])];
			const m = new three.Matrix4().set(
				fx[0],
				fy[0],
				fz[0],
				0,
				fx[1],
				fy[1],
				fz[1],
				0,
				fx[2],
				fy[2],
				fz[2],
				0,
				0,
				0,
				0,
				1,
			);
			craft.quaternion.setFromRotationMatrix(m);
			renderer.render(scene, camera);
		},
		dispose() {
			resized.disconnect();
			scene.traverse((object) => {
				if (object instanceof three.Mesh) object.geometry.dispose();
			});
			[ink, under, nose].forEach((material) => material.dispose());
			renderer.dispose();
		},
	};
}
