import sharp from 'sharp';
import { ApiError } from '../http/apiError.ts';

/** Formats that cameras and browsers send. */
const taken = new Set(['jpeg', 'png', 'webp', 'gif', 'tiff', 'heif']);
/** Longest side kept, pixels: enough to read a gauge, small enough to carry sixty of them. */
const longestSide = 1600;
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
    const { data, info } = await picture
      .rotate()
      .resize(longestSide, longestSide, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 80, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    return { jpeg: data, width: info.width, height: info.height };
  } catch (error) {
    if (error instanceof ApiError) throw error;
    throw new ApiError('not-a-picture');
  }
}
