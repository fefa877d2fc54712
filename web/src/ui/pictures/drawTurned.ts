const MAX_SIDE = 1200;

/** Draws a picture, upright as its camera meant it and turned clockwise by so many degrees. */
export async function drawTurned(canvas: HTMLCanvasElement, file: File, turn: number) {
  const picture = await createImageBitmap(file).catch(() => null);
  // What is no picture is told by whoever reads it.
  if (!picture) return;
  const scale = Math.min(1, MAX_SIDE / Math.max(picture.width, picture.height));
  const [width, height] = [picture.width * scale, picture.height * scale];
  const aside = turn % 180 !== 0;
  canvas.width = aside ? height : width;
  canvas.height = aside ? width : height;
  const pen = canvas.getContext('2d');
  if (!pen) return;
  pen.translate(canvas.width / 2, canvas.height / 2);
  pen.rotate((turn * Math.PI) / 180);
  pen.drawImage(picture, -width / 2, -height / 2, width, height);
  picture.close();
}
