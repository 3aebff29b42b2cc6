import Link from 'next/link';

export default function NotFound() {
  return (
    <div className="grid h-full place-content-center gap-6 p-8 text-center">
      <h1 className="font-bold text-[40px]">Not on the stove</h1>
      <p>No batch or page has this address.</p>
      <Link
        href="/plan"
        className="mx-auto grid min-h-20 place-items-center rounded-sm bg-butter px-8 font-bold text-[24px] text-on-butter"
      >
        Go to Plan
      </Link>
    </div>
  );
}
