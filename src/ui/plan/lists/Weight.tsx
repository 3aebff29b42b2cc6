import { clsx } from 'clsx';

/** What stands between the pounds and the ounces of a weight. */
const POUNDS = ' lb ';

/** A weight as large as its column has room for, with its unit; pounds and ounces together stand smaller. */
export function Weight({
  figure,
  unit,
  large,
}: {
  readonly figure: string;
  readonly unit: string;
  readonly large: boolean;
}) {
  const [pounds, ounces] = figure.split(POUNDS);
  const small = large ? 'text-[17px]' : 'text-[15px]';
  return (
    <span className={clsx(ounces !== undefined && (large ? 'text-[25px]' : 'text-[20px]'))}>
      {pounds}
      {ounces !== undefined && (
        <>
          <span className={clsx('mr-1 ml-0.5', small)}>lb</span>
          {ounces}
        </>
      )}
      <span className={clsx('ml-0.5', small)}>{unit}</span>
    </span>
  );
}
