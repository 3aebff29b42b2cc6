import { readPicture } from '../../../../server/help';
import { unknown } from '../../../../server/refusal';
import { respondFile } from '../../respond';

/** A picture of a view, as the documents have it. */
export function GET(
  _request: Request,
  { params }: { params: Promise<{ picture: string }> },
): Promise<Response> {
  return respondFile(async () => {
    const { picture } = await params;
    const body = await readPicture(picture);
    if (!body) throw unknown('picture', picture, []);
    return { body, headers: { 'content-type': 'image/png', 'cache-control': 'max-age=86400' } };
  });
}
