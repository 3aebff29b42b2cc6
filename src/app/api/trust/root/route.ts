import { rootCertificate } from '../../../../server/guard/network/root';
import { unknown } from '../../../../server/refusal';
import { respondFile } from '../../respond';

export const dynamic = 'force-dynamic';

/** The kitchen’s own authority, as a device installs it. */
export function GET(): Promise<Response> {
  return respondFile(async () => {
    const root = rootCertificate();
    if (!root) throw unknown('root', '', []);
    return {
      body: root.pem,
      headers: {
        'content-type': 'application/x-x509-ca-cert',
        'content-disposition': 'attachment; filename="panache-root.crt"',
      },
    };
  });
}
