import { between, lasts } from "./motion";
import { type Inks, type Picture, paintPicture } from "./paint";
import type { Move } from "./useHands";

// A move to keep or to send: as a strip of pictures, or as a short silent clip. Both are made on this device.

const [wide, high] = [720, 576];
const margin = 24;
const lineHigh = 30;

/** hand gives a file to the browser to be saved. */
function hand(blob: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** lines breaks a text where it would be wider than a picture. */
function lines(ctx: CanvasRenderingContext2D, text: string, width: number): string[] {
  const list: string[] = [];
  let line = "";
  for (const word of text.split(" ")) {
    const longer = line ? `${line} ${word}` : word;
    if (line && ctx.measureText(longer).width > width) {
      list.push(line);
      line = word;
    } else {
      line = longer;
    }
  }
  return [...list, line];
}

/** says writes the numbered sentence of a step. */
function says(
  ctx: CanvasRenderingContext2D,
  text: string,
  x: number,
  y: number,
  width: number,
  ink: string,
): void {
  ctx.fillStyle = ink;
  ctx.font = '22px "Atkinson Hyperlegible", sans-serif';
  ctx.textBaseline = "top";
  lines(ctx, text, width).forEach((line, i) => {
    ctx.fillText(line, x, y + i * lineHigh);
  });
}

const sheet = (width: number, height: number) => {
  const canvas = document.createElement("canvas");
  canvas.width = width;
  canvas.height = height;
  return canvas;
};

/** painted is one picture on a canvas of its own. */
function painted(picture: Picture, inks: Inks, t?: { from: Picture; at: number }): HTMLCanvasElement {
  const canvas = sheet(wide, high);
  paintPicture(canvas, picture, inks, t && t.at < 1 ? between(t.from, picture, t.at) : undefined);
  return canvas;
}

/** savePictures saves all steps of a move as one picture, each with its sentence. */
export async function savePictures(move: Move, inks: Inks, ink: string): Promise<void> {
  const columns = Math.min(3, move.steps.length);
  const rows = Math.ceil(move.steps.length / columns);
  const [cell, tall] = [wide / 1.5, high / 1.5 + 5 * lineHigh];
  const canvas = sheet(columns * (cell + margin) + margin, 70 + rows * (tall + margin) + 3 * lineHigh);
  const ctx = canvas.getContext("2d") as CanvasRenderingContext2D;
  ctx.fillStyle = inks.paper;
  ctx.fillRect(0, 0, canvas.width, canvas.height);
  ctx.fillStyle = ink;
  ctx.font = '700 34px "Bricolage Grotesque", sans-serif';
  ctx.fillText(move.title, margin, 48);
  move.steps.forEach((step, i) => {
    const [x, y] = [margin + (i % columns) * (cell + margin), 70 + Math.floor(i / columns) * (tall + margin)];
    ctx.drawImage(painted(step.picture, inks), x, y, cell, high / 1.5);
    says(ctx, `${i + 1}  ${step.text}`, x, y + high / 1.5 + 8, cell, ink);
  });
  const y = 70 + rows * (tall + margin);
  says(ctx, `Look: ${move.look}`, margin, y, canvas.width - 2 * margin, ink);
  says(ctx, `Take care: ${move.care}`, margin, y + lineHigh, canvas.width - 2 * margin, ink);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
  if (blob) {
    hand(blob, `${move.name}.png`);
  }
}

/** clips says whether this browser can make a clip. */
export const clips = () =>
  typeof MediaRecorder !== "undefined" && "captureStream" in HTMLCanvasElement.prototype;

/** saveClip plays a move once, step by step, and saves what was seen; said tells how far it is. */
export async function saveClip(
  move: Move,
  inks: Inks,
  ink: string,
  said: (share: number) => void,
): Promise<void> {
  const canvas = sheet(wide, high + 4 * lineHigh + margin);
  const ctx = canvas.getContext("2d") as CanvasRenderingContext2D;
  const stream = canvas.captureStream(25);
  const recorder = new MediaRecorder(stream, { videoBitsPerSecond: 2_500_000 });
  const parts: Blob[] = [];
  recorder.ondataavailable = (event) => parts.push(event.data);
  const ended = new Promise<void>((done) => {
    recorder.onstop = () => done();
  });
  recorder.start();
  const rests = 1400;
  for (const [i, step] of move.steps.entries()) {
    const from = step.goes_on ? move.steps[i - 1]?.picture : undefined;
    const began = performance.now();
    const whole = (from ? lasts : 0) + rests;
    for (let now = began; now - began < whole; now = await frame()) {
      const at = from ? Math.min(1, (now - began) / lasts) : 1;
      ctx.fillStyle = inks.paper;
      ctx.fillRect(0, 0, canvas.width, canvas.height);
      ctx.drawImage(painted(step.picture, inks, from && { from, at }), 0, 0);
      says(ctx, `${i + 1}  ${step.text}`, margin, high + 10, wide - 2 * margin, ink);
      said((i + (now - began) / whole) / move.steps.length);
    }
  }
  recorder.stop();
  await ended;
  for (const track of stream.getTracks()) {
    track.stop();
  }
  hand(new Blob(parts, { type: recorder.mimeType }), `${move.name}.webm`);
}

const frame = () => new Promise<number>((done) => requestAnimationFrame(() => done(performance.now())));
