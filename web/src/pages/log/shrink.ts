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
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (made) => {
        if (made) resolve(made);
        else reject(new Error("This picture cannot be written smaller."));
      },
      "image/jpeg",
      quality,
    );
  });
}
