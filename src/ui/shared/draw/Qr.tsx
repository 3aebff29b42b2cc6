import { create } from 'qrcode';

/** A QR code (ISO/IEC 18004) as squares, with the four of quiet around it the standard asks for. */
export function Qr({ text, label }: { readonly text: string; readonly label: string }) {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const side = modules.size + 8;
  const path = Array.from(modules.data)
    .flatMap((dark, at) =>
      dark ? [`M${(at % modules.size) + 4} ${Math.floor(at / modules.size) + 4}h1v1h-1z`] : [],
    )
    .join('');
  return (
    <svg viewBox={`0 0 ${side} ${side}`} role="img" aria-label={label} className="w-56 max-w-full bg-white">
      <path d={path} className="fill-black" />
    </svg>
  );
}
