'use client';

import { Timer } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { CALIBRATION_LIQUIDS, calibrateFunnel } from '../../core/flow/readings/cups';
import type { HouseFunnel } from '../../core/kitchen/house';
import { message } from '../../core/message/message';
import { spaced } from '../../core/units/shown/format';
import { typedNumber } from '../../core/units/typed/parse';
import { ask, problemWords } from '../device/line/api';
import { readRole } from '../device/useRole';
import { WhenLive } from '../frame/WhenLive';
import { Field } from '../shared/form/Field';
import { Form } from '../shared/form/Form';
import { MetricField } from '../shared/form/MetricField';
import { useSay } from '../shared/hooks/useSay';
import { Link } from '../shared/Link';
import { Scroll } from '../shared/Scroll';
import { BUTTON, PRIMARY } from '../shared/styles';
import { useStopwatch } from './useStopwatch';

const CARD = 'rounded-sm border-2 border-ink bg-surface p-4 grid content-start gap-3';
const nu = (value: number): string => String(Math.round(value * 1000) / 1000);

/** A funnel of the house's own, calibrated with two liquids whose viscosity is known. */
export function FunnelView({ funnels }: { funnels: readonly HouseFunnel[] }) {
  const say = useSay();
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {say.rich(
            'Calibrate a funnel<part>Any funnel tells viscosity once two liquids that are known have run through it.</part>',
            { part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span> },
          )}
        </h1>
        <Link href="/check" className={BUTTON}>
          {say('Back to Check')}
        </Link>
      </header>
      <Scroll label={say('Calibration')} className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
        <WhenLive>
          <Calibration funnels={funnels} />
        </WhenLive>
      </Scroll>
    </div>
  );
}

type Typed = Readonly<
  Record<'name' | 'orificeMm' | 'ml' | 'thinNu' | 'thinSeconds' | 'thickNu' | 'thickSeconds', string>
>;

const FIELD_OF: Readonly<Record<string, keyof Typed>> = {
  name: 'name',
  orificeMm: 'orificeMm',
  ml: 'ml',
  'thin.nu': 'thinNu',
  'thin.seconds': 'thinSeconds',
  'thick.nu': 'thickNu',
  'thick.seconds': 'thickSeconds',
};

/** What is typed and timed of a calibration, and keeping it. */
function useCalibration() {
  const say = useSay();
  const router = useRouter();
  const [typed, setTyped] = useState<Typed>({
    name: '',
    orificeMm: '7',
    ml: '150',
    thinNu: nu(CALIBRATION_LIQUIDS.water.nu),
    thinSeconds: '',
    thickNu: nu(CALIBRATION_LIQUIDS.syrup.nu),
    thickSeconds: '',
  });
  const [problems, setProblems] = useState<Readonly<Partial<Record<keyof Typed | 'form', string>>>>({});
  const [kept, setKept] = useState<HouseFunnel | null>(null);
  const [timing, setTiming] = useState<'thinSeconds' | 'thickSeconds' | null>(null);
  const set = (key: keyof Typed, value: string) => setTyped((t) => ({ ...t, [key]: value }));
  const press = (key: 'thinSeconds' | 'thickSeconds') => {
    if (timing !== null && timing !== key) return;
    const took = watch.press();
    setTiming(took === null ? key : null);
    if (took !== null) set(key, took.toFixed(1));
  };
  const watch = useStopwatch(null, () => timing && press(timing));
  const field = (key: keyof Typed) => ({
    id: `funnel-${key}`,
    value: typed[key],
    onChange: (e: { target: { value: string } }) => set(key, e.target.value),
    problem: problems[key],
    ...(key !== 'name' && {
      inputMode: 'decimal' as const,
      className: 'figures text-right font-bold text-[24px]',
    }),
  });
  const save = async () => {
    setProblems({});
    const answer = await ask('POST /api/kitchen/funnels', {
      body: {
        name: typed.name,
        by: readRole(),
        orificeMm: typedNumber(typed.orificeMm),
        ml: typedNumber(typed.ml),
        thin: { nu: typedNumber(typed.thinNu), seconds: typedNumber(typed.thinSeconds) },
        thick: { nu: typedNumber(typed.thickNu), seconds: typedNumber(typed.thickSeconds) },
      },
    });
    if (answer.ok) {
      setKept(answer.body);
      router.refresh();
      return;
    }
    const wrong = Object.fromEntries(
      answer.problems.map((p) => [FIELD_OF[p.field] ?? 'form', say(problemWords([p]))]),
    );
    setProblems(wrong);
    document.getElementById(`funnel-${Object.keys(wrong)[0]}`)?.focus();
  };
  return { field, set, save, press, timing, seconds: watch.seconds, kept, problem: problems.form };
}
type Calibrating = ReturnType<typeof useCalibration>;

type RunProps = { readonly of: Calibrating; readonly timed: 'thinSeconds' | 'thickSeconds' };

/** The watch of one of the liquids. */
function Run({ of: { press, timing, seconds }, timed }: RunProps) {
  const say = useSay();
  return (
    <button
      type="button"
      onClick={() => press(timed)}
      className={`${timing === timed ? PRIMARY : BUTTON} min-h-20`}
    >
      <Timer aria-hidden />
      {timing === timed
        ? say.rich('<part>{seconds}</part> Stop', {
            part: (text) => (
              <span role="timer" className="figures text-[26px]">
                {text}
              </span>
            ),
            seconds: (seconds ?? 0).toFixed(1),
          })
        : say('Start the watch')}
    </button>
  );
}

function Calibration({ funnels }: { funnels: readonly HouseFunnel[] }) {
  const say = useSay();
  const calibrating = useCalibration();
  const { kept, save, problem } = calibrating;
  return (
    <>
      {kept && <Kept funnel={kept} />}
      <Form
        className="grid gap-3 min-[1000px]:grid-cols-3"
        onSubmit={() => {
          void save();
        }}
      >
        <TheFunnel of={calibrating} />
        <Liquids of={calibrating} />
        {problem && (
          <p role="alert" className="font-bold text-tomato min-[1000px]:col-span-3">
            {problem}
          </p>
        )}
        <button type="submit" className={`${PRIMARY} min-h-18 text-[22px] min-[1000px]:col-span-3`}>
          {say('Keep this calibration')}
        </button>
      </Form>
      {funnels.length > 0 && <Already funnels={funnels} />}
    </>
  );
}

type Part = { readonly of: Calibrating };

function TheFunnel({ of: { field, set } }: Part) {
  const say = useSay();
  return (
    <section aria-labelledby="f-1" className={CARD}>
      <h2 id="f-1" className="font-bold text-[21px]">
        {say('1 The funnel')}
      </h2>
      <Field label={say('Name')} maxLength={60} {...field('name')} />
      <Field label={say('Opening, mm')} {...field('orificeMm')} />
      <MetricField
        id={field('ml').id}
        words={message('How much runs, {unit}')}
        what="jug"
        value={field('ml').value}
        onValue={(metric) => set('ml', metric)}
        problem={field('ml').problem}
      />
      <p className="text-[16px] text-quiet">
        {say('Mark the level on its wall; the opening decides how hard it shears the soup.')}
      </p>
    </section>
  );
}

function Liquids({ of }: Part) {
  const say = useSay();
  const { field } = of;
  return (
    <>
      <section aria-labelledby="f-2" className={CARD}>
        <h2 id="f-2" className="font-bold text-[21px]">
          2 {say(CALIBRATION_LIQUIDS.water.words)}
        </h2>
        <Run of={of} timed="thinSeconds" />
        <Field label={say('It ran, s')} {...field('thinSeconds')} />
        <Field
          label={say('Its viscosity, mm²/s')}
          hint={say('another liquid will do, if you know it')}
          {...field('thinNu')}
        />
      </section>
      <section aria-labelledby="f-3" className={CARD}>
        <h2 id="f-3" className="font-bold text-[21px]">
          3 {say(CALIBRATION_LIQUIDS.syrup.words)}
        </h2>
        <Run of={of} timed="thickSeconds" />
        <Field label={say('It ran, s')} {...field('thickSeconds')} />
        <Field label={say('Its viscosity, mm²/s')} {...field('thickNu')} />
      </section>
    </>
  );
}

function Already({ funnels }: { funnels: readonly HouseFunnel[] }) {
  const say = useSay();
  return (
    <section aria-labelledby="f-all" className="mt-5">
      <h2 id="f-all" className="font-bold text-[21px]">
        {say('Calibrated already')}
      </h2>
      <ul>
        {funnels.map((f) => (
          <li key={f.id} className="border-rule border-b py-2">
            <Said funnel={f} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Said({ funnel }: { funnel: HouseFunnel }) {
  const say = useSay();
  const { a, b } = calibrateFunnel(funnel.thin, funnel.thick);
  return (
    <>
      {say.rich(
        '<b>{name}</b>: {start} s and {each} s for every mm²/s; water runs {seconds} s, {ml} through {across} mm.',
        {
          name: funnel.name,
          b: (text) => <b>{text}</b>,
          start: spaced(b, 1),
          each: spaced(a, 3),
          seconds: spaced(funnel.thin.seconds, 1),
          ml: { millilitres: funnel.ml, marked: true },
          across: funnel.orificeMm,
        },
      )}
    </>
  );
}

function Kept({ funnel }: { funnel: HouseFunnel }) {
  const say = useSay();
  return (
    <p role="status" className="mb-3 flex flex-wrap items-center gap-3 bg-butter px-4 py-2 text-on-butter">
      <span className="mr-auto">
        {say('Kept.')} <Said funnel={funnel} />
      </span>
      <Link href="/check" className={BUTTON}>
        {say('To Check')}
      </Link>
    </p>
  );
}
