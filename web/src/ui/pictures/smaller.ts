const LARGE = 2_000_000;
const MAX_SIDE = 3_000;
const QUALITY = 0.9;

/** A photograph made small enough to be sent from a phone, upright; one that is small as it is. */
export async function smaller(file: File): Promise<File> {
  if (file.size <= LARGE || !file.type.startsWith('image/')) return file;
  const picture = await createImageBitmap(file).catch(() => null);
  // What is no picture is told by whoever reads it.
  if (!picture) return file;
  const scale = Math.min(1, MAX_SIDE / Math.max(picture.width, picture.height));
  const canvas = new OffscreenCanvas(picture.width * scale, picture.height * scale);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  picture.close();
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
  return blob.size < file.size ? new File([blob], file.name, { type: blob.type }) : file;
}
