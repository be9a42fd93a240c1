/** Longest side of a picture that is kept, pixels. */
const longest = 1600;
const quality = 0.82;
export const largestPicture = 40 * 1024 * 1024;

/** Sides that fit into the longest one, never larger than they are. */
export function fitted(width: number, height: number, most = longest): { width: number; height: number } {
  const by = Math.min(1, most / Math.max(width, height, 1));
  return { width: Math.max(1, Math.round(width * by)), height: Math.max(1, Math.round(height * by)) };
}

/**
 * A picture drawn again, smaller: what it shows stays, what the camera noted of place and device does not. Throws a
 * sentence for a file that is not a picture.
 */
export async function shrunk(file: Blob): Promise<Blob> {
  if (file.size > largestPicture)
    throw new Error("This file is larger than 40 MB: take a picture as a camera makes it.");
  const bitmap = await createImageBitmap(file, { imageOrientation: "from-image" }).catch(() => null);
  if (!bitmap) throw new Error("This file cannot be read as a picture: take a JPEG, PNG or WebP.");
  const size = fitted(bitmap.width, bitmap.height);
  const canvas = document.createElement("canvas");
  canvas.width = size.width;
  canvas.height = size.height;
  const context = canvas.getContext("2d");
  if (!context) throw new Error("This browser cannot draw the picture smaller.");
  context.fillStyle = "#ffffff";
  context.fillRect(0, 0, size.width, size.height);
  context.imageSmoothingQuality = "high";
  context.drawImage(bitmap, 0, 0, size.width, size.height);
  bitmap.close();
  const made = await new Promise<Blob>((resolve, reject) => {
    canvas.toBlob(
      (made) => {
        if (made) resolve(made);
        else reject(new Error("This picture cannot be written smaller."));
      },
      "image/jpeg",
      quality,
    );
  });
  return new Blob([withoutNotes(new Uint8Array(await made.arrayBuffer()))], { type: made.type });
}

/**
 * A JPEG as the server keeps it: some browsers write notes of their own, and a picture is named by its bytes.
 */
export function withoutNotes(jpeg: Uint8Array): Uint8Array<ArrayBuffer> {
  const parts = [jpeg.subarray(0, 2)];
  let at = 2;
  // Up to the picture's data: what a canvas writes has no notes after it.
  while (at + 4 <= jpeg.length && jpeg[at] === 0xff && jpeg[at + 1] !== 0xda) {
    const end = at + 2 + ((jpeg[at + 2] ?? 0) << 8) + (jpeg[at + 3] ?? 0);
    const begins = new TextDecoder("latin1").decode(jpeg.subarray(at + 4, Math.min(end, at + 18)));
    if (!isNote(jpeg[at + 1] ?? 0, begins)) parts.push(jpeg.subarray(at, end));
    at = end;
  }
  parts.push(jpeg.subarray(at));
  const plain = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
  let to = 0;
  for (const part of parts) {
    plain.set(part, to);
    to += part.length;
  }
  return plain;
}

function isNote(marker: number, begins: string): boolean {
  if (marker === 0xe0) return !begins.startsWith("JFIF\0");
  if (marker === 0xe2) return !begins.startsWith("ICC_PROFILE\0");
  if (marker === 0xee) return !begins.startsWith("Adobe");
  return (marker >= 0xe1 && marker <= 0xef) || marker === 0xfe;
}
