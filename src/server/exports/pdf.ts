import PDFDocument from 'pdfkit';

export type Doc = InstanceType<typeof PDFDocument>;

/** A PDF begun, with its title, and what ends it and gives its bytes. */
export function pdfOf(
  title: string,
  options: PDFKit.PDFDocumentOptions,
): { readonly doc: Doc; readonly ended: () => Promise<Uint8Array> } {
  const doc = new PDFDocument({
    ...options,
    info: { Title: title, Producer: 'Panache', Creator: 'Panache' },
  });
  const chunks: Uint8Array[] = [];
  const bytes = new Promise<Uint8Array>((resolve, reject) => {
    doc.on('data', (c: Uint8Array) => chunks.push(c));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  return {
    doc,
    ended: () => {
      doc.end();
      return bytes;
    },
  };
}
