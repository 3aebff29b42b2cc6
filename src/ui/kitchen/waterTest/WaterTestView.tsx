'use client';

import { FILL_LIMIT, rimVolume } from '../../../core/heat/vessel';
import { type Message, message } from '../../../core/message/message';
import { volumeWords } from '../../../core/units/shown/show';
import { Field, Pick } from '../../shared/form/Field';
import { Form } from '../../shared/form/Form';
import { MetricField } from '../../shared/form/MetricField';
import { Segments } from '../../shared/form/Segments';
import { useSay } from '../../shared/hooks/useSay';
import { useShow } from '../../shared/hooks/useShow';
import { useUnits } from '../../shared/hooks/useUnits';
import { Link } from '../../shared/Link';
import { BUTTON, PRIMARY } from '../../shared/styles';
import { StopWatch } from './StopWatch';
import { type Props, useWaterTest, type WaterTestUnderWay } from './useWaterTest';
import { CARD, PastWaterTests, WaterTestResult } from './WaterTestParts';

/** A water test from filling the pot to its own figures, with stop-watches that survive a reload. */
export function WaterTestView(props: Props) {
  const { house, past } = props;
  const say = useSay();
  const test = useWaterTest(props);
  const { typed, tested, vessel, burner, begin, again } = test;
  return (
    <div className="flex h-full flex-col">
      <header className="flex shrink-0 flex-wrap items-center gap-3 border-ink border-b-2 bg-surface px-5 py-3">
        <h1 className="mr-auto font-bold text-[27px] leading-tight">
          {say.rich(
            'Water test<part>An hour with plain water, and this pot and burner count with their own figures.</part>',
            { part: (text) => <span className="block font-normal text-[17px] text-quiet">{text}</span> },
          )}
        </h1>
        <Link href="/kitchen?part=pots" className={BUTTON}>
          {say('Back to the kitchen')}
        </Link>
      </header>
      <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
        {tested && vessel && burner ? (
          <WaterTestResult
            tested={tested}
            name={`${vessel.name} on ${burner.name}`}
            onAnother={() => {
              again();
              begin(typed.vesselId, typed.burnerId);
            }}
          />
        ) : (
          <Form
            className="grid gap-3 min-[1100px]:grid-cols-3"
            onSubmit={() => {
              void test.send();
            }}
          >
            <FillIt test={test} house={house} />
            <HeatIt test={test} />
            <KeepIt test={test} />
            <WorkItOut test={test} />
          </Form>
        )}
        <PastWaterTests past={past} house={house} />
      </div>
    </div>
  );
}

type Part = { readonly test: WaterTestUnderWay };

function FillIt({ test, house }: Part & Pick<Props, 'house'>) {
  const say = useSay();
  const show = useShow();
  const { typed, change, problems, measured, vessel } = test;
  return (
    <section aria-labelledby="w-1" className={`${CARD} grid content-start gap-3`}>
      <h2 id="w-1" className="font-bold text-[21px]">
        {say('1 Fill it')}
      </h2>
      <Pick
        id="w-pot"
        label={say('Pot')}
        value={typed.vesselId}
        onChange={(e) => change({ vesselId: e.target.value })}
        problem={problems.vesselId}
      >
        {house.vessels.map((v) => (
          <option key={v.id} value={v.id}>
            {v.name}
          </option>
        ))}
      </Pick>
      <Pick
        id="w-burner"
        label={say('Burner')}
        value={typed.burnerId}
        onChange={(e) => change({ burnerId: e.target.value })}
        problem={problems.burnerId}
      >
        {house.burners.map((b) => (
          <option key={b.id} value={b.id}>
            {b.name}
          </option>
        ))}
      </Pick>
      <div className="grid grid-cols-2 gap-3">
        <MetricField id="w-litres" words={message('Water, {unit}')} {...measured('litres', 'litres')} />
        <MetricField
          id="w-startCelsius"
          words={message('It is at, {unit}')}
          {...measured('startCelsius', 'celsius')}
        />
      </div>
      {vessel && (
        <p className="text-quiet">
          {say('Half full is best: {rimVolume} to {rimVolume2} here.', {
            rimVolume: volumeWords(rimVolume(vessel) * FILL_LIMIT * 0.5, show),
            rimVolume2: volumeWords(rimVolume(vessel) * FILL_LIMIT * 0.7, show),
          })}
        </p>
      )}
    </section>
  );
}

function HeatIt({ test }: Part) {
  const say = useSay();
  const { typed, change, field, measured, most, now } = test;
  return (
    <section aria-labelledby="w-2" className={`${CARD} grid content-start gap-3`}>
      <h2 id="w-2" className="font-bold text-[21px]">
        {say('2 Heat it, full flame, lid off')}
      </h2>
      <p>{say('Start the watch with the flame; stop it when the probe reads what you wrote.')}</p>
      <StopWatch
        from={typed.heatFrom}
        now={now}
        onStart={(at) => change({ heatFrom: at })}
        onStop={(minutes) => change({ heatFrom: null, heatMinutes: minutes })}
      />
      <div className="grid grid-cols-2 gap-3">
        <MetricField
          id="w-heatedTo"
          words={message('To, {unit} (to {most})', { most })}
          {...measured('heatedTo', 'celsius')}
        />
        <Field id="w-heatMinutes" label={say('Took, min')} {...field('heatMinutes')} />
      </div>
    </section>
  );
}

function KeepIt({ test }: Part) {
  const say = useSay();
  const { unit } = useUnits().of(test.typed.by === 'weight' ? 'g' : 'mm');
  const { typed, change, field, measured, most, now } = test;
  const sign =
    typed.by === 'weight'
      ? message('{unit}, pot and all', { unit })
      : message('{unit} from the bottom', { unit });
  const read = (key: 'before' | 'after', words: Message) => (
    <MetricField
      key={typed.by}
      id={`w-${key}`}
      words={words}
      {...measured(key, typed.by === 'weight' ? 'g' : 'mm')}
    />
  );
  return (
    <section aria-labelledby="w-3" className={`${CARD} grid content-start gap-3`}>
      <h2 id="w-3" className="font-bold text-[21px]">
        {say('3 Keep it just under the boil')}
      </h2>
      <p>
        {say(
          'Turn the flame down so that it stands still, lid off, no draught. Read, wait half an hour, read again.',
        )}
      </p>
      <Segments
        label={say('Read by')}
        value={typed.by}
        onChange={(by) => change({ by })}
        options={[
          { value: 'weight', words: say('Weight') },
          { value: 'level', words: say('Level') },
        ]}
      />
      <div className="grid grid-cols-2 gap-3">
        <MetricField
          id="w-keptAt"
          words={message('Kept at, {unit} (to {most})', { most })}
          {...measured('keptAt', 'celsius')}
        />
        {read('before', message('First, {sign}', { sign }))}
      </div>
      <StopWatch
        from={typed.keptFrom}
        now={now}
        onStart={(at) => change({ keptFrom: at })}
        onStop={(minutes) => change({ keptFrom: null, keptMinutes: minutes })}
      />
      <div className="grid grid-cols-2 gap-3">
        <Field id="w-keptMinutes" label={say('For, min')} {...field('keptMinutes')} />
        {read('after', message('Then, {sign}', { sign }))}
      </div>
    </section>
  );
}

function WorkItOut({ test: { busy, problems } }: Part) {
  const say = useSay();
  return (
    <div className="flex flex-wrap items-center gap-3 min-[1100px]:col-span-3">
      <button type="submit" disabled={busy} className={`text-[22px] ${PRIMARY}`}>
        {busy ? say('Working it out …') : say('Work it out and keep it')}
      </button>
      <p className="text-quiet">{say('A pot of near-boiling water: mind the steam, do not move it.')}</p>
      {problems.readings && (
        <p role="alert" className="font-bold text-tomato">
          {problems.readings}
        </p>
      )}
    </div>
  );
}
