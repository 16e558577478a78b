/** Picture is a photograph or scan, decoded in the browser and kept there. */
export type Picture = { url: string; width: number; height: number; preview: string };

const mostBytes = 20 * 1024 * 1024;
const mostPixels = 80_000_000;
/** Larger pictures are made smaller: a foot needs no more points than this across. */
const workSide = 2400;
const previewSide = 320;

const kinds = [
  { name: "JPEG", begins: [0xff, 0xd8, 0xff] },
  { name: "PNG", begins: [0x89, 0x50, 0x4e, 0x47] },
];

/** readPicture decodes a file; its error says in a sentence what is wrong with it. */
export async function readPicture(file: Blob): Promise<Picture> {
  if (file.size > mostBytes) {
    throw new Error(
      `This picture has ${(file.size / 1024 / 1024).toFixed(0)} MB; pictures of up to 20 MB are read. Take a smaller one.`,
    );
  }
  const head = new Uint8Array(await file.slice(0, 8).arrayBuffer());
  if (!kinds.some((kind) => kind.begins.every((byte, i) => head[i] === byte))) {
    throw new Error("This is no JPEG and no PNG. Save the photo or scan as one of these.");
  }
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error("This picture is damaged and cannot be opened. Take it anew, or save it again.");
  }
  if (bitmap.width * bitmap.height > mostPixels || bitmap.width < 200 || bitmap.height < 200) {
    throw new Error(
      `This picture has ${bitmap.width} × ${bitmap.height} points; from 200 × 200 up to 80 million in all are read.`,
    );
  }
  const work = scaled(bitmap, workSide);
  const small = scaled(bitmap, previewSide);
  bitmap.close();
  const blob = await new Promise<Blob | null>((done) => work.toBlob(done, "image/jpeg", 0.9));
  if (!blob) {
    throw new Error("The browser could not draw this picture.");
  }
  return {
    url: URL.createObjectURL(blob),
    width: work.width,
    height: work.height,
    preview: small.toDataURL("image/jpeg", 0.7),
  };
}

function scaled(bitmap: ImageBitmap, most: number): HTMLCanvasElement {
  const by = Math.min(1, most / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(bitmap.width * by);
  canvas.height = Math.round(bitmap.height * by);
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas;
}
