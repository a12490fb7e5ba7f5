import { largestBackdrop } from '@yurei/core/design';
import DOMPurify from 'dompurify';

/** Larger files are not even opened, bytes. */
export const largestPicture = 20e6;

/** A picture is made smaller until it fits: its longer side, px, and how well it is kept. */
const attempts = [
  { side: 1600, quality: 0.85 },
  { side: 1200, quality: 0.7 },
  { side: 800, quality: 0.6 },
] as const;

/** A picture as a data URL that can lie under a plan, or why it cannot. */
export type Picture = { image: string } | { reason: string };

/** Reads a PNG, JPEG or SVG; scripts and all that reaches outside are taken out of an SVG. */
export async function readBackdrop(file: File): Promise<Picture> {
  if (file.size > largestPicture)
    return {
      reason: `${file.name} has ${Math.round(file.size / 1e6)} MB: up to ${largestPicture / 1e6} MB are taken. Make the picture smaller first.`,
    };
  if (file.type === 'image/svg+xml' || /\.svg$/i.test(file.name)) return readDrawing(file);
  if (file.type === 'image/png' || file.type === 'image/jpeg') return readPhoto(file);
  return { reason: `${file.name} is no PNG, JPEG or SVG. Save the plan as one of these.` };
}

async function readDrawing(file: File): Promise<Picture> {
  const clean = DOMPurify.sanitize(await file.text(), {
    USE_PROFILES: { svg: true, svgFilters: true },
    FORBID_TAGS: ['a', 'style', 'use', 'image'],
    NAMESPACE: 'http://www.w3.org/2000/svg',
  });
  if (!/<svg[\s>]/i.test(clean))
    return { reason: `${file.name} holds no drawing. Open it elsewhere and save it as SVG again.` };
  const named = /xmlns=/.test(clean)
    ? clean
    : clean.replace(/<svg/i, '<svg xmlns="http://www.w3.org/2000/svg"');
  const bytes = new TextEncoder().encode(named);
  const image = `data:image/svg+xml;base64,${btoa(Array.from(bytes, (b) => String.fromCharCode(b)).join(''))}`;
  return image.length <= largestBackdrop ? { image } : tooLarge(file);
}

async function readPhoto(file: File): Promise<Picture> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    return { reason: `${file.name} cannot be read as a picture. It may be broken: save it again.` };
  }
  for (const { side, quality } of attempts) {
    const image = await drawnSmaller(bitmap, side, file.type, quality);
    if (image.length <= largestBackdrop) return { image };
  }
  return tooLarge(file);
}

async function drawnSmaller(
  bitmap: ImageBitmap,
  side: number,
  type: string,
  quality: number,
): Promise<string> {
  const share = Math.min(1, side / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * share));
  canvas.height = Math.max(1, Math.round(bitmap.height * share));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas.toDataURL(type, quality);
}

const tooLarge = (file: File): Picture => ({
  reason: `${file.name} stays too large for a design, however it is drawn. Take a simpler picture, or a part of it.`,
});
