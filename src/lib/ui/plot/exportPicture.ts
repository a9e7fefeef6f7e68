const COPIED = [
	'fill',
	'stroke',
	'stroke-width',
	'stroke-dasharray',
	'opacity',
	'fill-opacity',
	'font-size',
	'font-weight',
	'paint-order',
	'text-anchor',
];
const SCALE = 2;

/**
 * A drawn plot as a PNG, twice its size on the screen. Colours come from the theme in force, so they are written into a copy
 * of the drawing first: a picture on its own knows no style sheet.
 */
export async function pngOf(svg: SVGSVGElement): Promise<Uint8Array> {
	const copy = svg.cloneNode(true) as SVGSVGElement;
	const originals = [svg, ...svg.querySelectorAll('*')];
	[copy, ...copy.querySelectorAll('*')].forEach((element, k) => {
		const style = getComputedStyle(originals[k]);
		for (const name of COPIED) {
			const value = style.getPropertyValue(name);
			if (value && value !== 'none' && value !== 'normal') element.setAttribute(name, value);
		}
		element.setAttribute('font-family', 'sans-serif');
	});
	const { width, height } = svg.getBoundingClientRect();
	copy.setAttribute('width', String(width));
	copy.setAttribute('height', String(height));
	copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
	const url = URL.createObjectURL(new Blob([new XMLSerializer().serializeToString(copy)], { type: 'image/svg+xml' }));
	try {
		const image = new Image();
		image.src = url;
		await image.decode();
		const canvas = document.createElement('canvas');
		canvas.width = Math.ceil(width * SCALE);
		canvas.height = Math.ceil(height * SCALE);
		const context = canvas.getContext('2d');
		if (!context) throw new Error('This browser draws no pictures.');
		context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue('--sheet') || '#ffffff';
		context.fillRect(0, 0, canvas.width, canvas.height);
		context.drawImage(image, 0, 0, canvas.width, canvas.height);
		const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
		if (!blob) throw new Error('The picture could not be made.');
		return new Uint8Array(await blob.arrayBuffer());
	} finally {
		URL.revokeObjectURL(url);
	}
}
