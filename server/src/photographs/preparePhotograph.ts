import sharp from 'sharp';
import { ApiError } from '../http/apiError.ts';

/** Formats that cameras and browsers send. */
const taken = new Set(['jpeg', 'png', 'webp', 'gif', 'tiff', 'heif']);
/** Longest side kept, pixels: enough to read a gauge, small enough to carry sixty of them. */
const longestSide = 1600;
/** The most that is kept of one, bytes: a job file carries sixty. Noise that does not pack is packed harder. */
const mostBytes = 1_400_000;
const qualities = [80, 65, 45];
/** A picture that unpacks to more than this is no photograph, pixels. */
const mostPixels = 80_000_000;

export interface PreparedPhotograph {
  jpeg: Buffer;
  width: number;
  height: number;
}

/**
 * Makes what is kept of a picture: turned upright, made smaller, and written anew as JPEG, so that place, camera and whatever else
 * came with the file stay behind. What it is is told by its content, never by its name.
 * Errors: 'not-a-picture'.
 */
export async function preparePhotograph(file: Buffer): Promise<PreparedPhotograph> {
  try {
    const picture = sharp(file, { limitInputPixels: mostPixels, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!taken.has(format)) throw new ApiError('not-a-picture');
    const upright = picture
      .rotate()
      .resize(longestSide, longestSide, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' });
    for (const quality of qualities) {
      const { data, info } = await upright
        .clone()
        .jpeg({ quality, mozjpeg: true })
        .toBuffer({ resolveWithObject: true });
      if (data.length <= mostBytes) return { jpeg: data, width: info.width, height: info.height };
    }
  } catch (error) {
    if (error instanceof ApiError) throw error;
  }
  throw new ApiError('not-a-picture');
}

/**
 * A photograph out of a job file. What this program wrote is kept byte for byte; anything else (too large, with camera and place in it,
 * no JPEG) is written anew like any other picture: a file's content is not trusted either.
 * Errors: 'not-a-picture'.
 */
export async function keepAsFiled(jpeg: Buffer): Promise<PreparedPhotograph> {
  try {
    const picture = sharp(jpeg, { limitInputPixels: mostPixels, failOn: 'error' });
    const { format, width, height, exif, xmp, iptc, icc, comments, orientation } =
      await picture.metadata();
    const isOurs =
      format === 'jpeg' &&
      Math.max(width, height) <= longestSide &&
      jpeg.length <= mostBytes &&
      [exif, xmp, iptc, icc, comments, orientation].every((extra) => extra === undefined);
    if (isOurs && endsAsJpeg(jpeg)) {
      // Unpacked to its end: a head alone says nothing of what follows.
      await picture.stats();
      return { jpeg, width, height };
    }
  } catch {
    throw new ApiError('not-a-picture');
  }
  return preparePhotograph(jpeg);
}

/** Nothing is carried behind the picture. */
const endsAsJpeg = (file: Buffer): boolean => file.at(-2) === 0xff && file.at(-1) === 0xd9;
