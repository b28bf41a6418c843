import type { JobBrief } from '@katharos/job';
import {
  type Assessment,
  closesWhenFull,
  type JudgedDesign,
  litresPerGallon,
  productBand,
  remineralise,
} from '@katharos/core';
import { type Explanation, Figure } from '../../ui/Figure.tsx';
import { useReader } from '../../ui/useReader.ts';
import { explainFigures } from './explainFigures.ts';
import { SimpleGrid } from '@mantine/core';

interface Props {
  judged: JudgedDesign & { today: Assessment };
  /** Coldest water, lowest pressure, aged membrane; null where it cannot run there. */
  winter: Assessment | null;
  brief: JobBrief;
}

/** The numbers of a sized system: what it makes first and large, today and in the worst case. */
export function MainFigures({ judged, winter, brief }: Props) {
  const reader = useReader();
  const { units: system } = reader;
  const { today, design } = judged;
  const minerals = remineralise(design, today);
  const why: Record<string, Explanation> = explainFigures(design, today, brief, reader);
  const production = (litres: number) =>
    system === 'metric'
      ? `${reader.number(litres / litresPerGallon, 1)} gpd`
      : `${reader.number(litres, 0)} L/day`;
  const band = productBand(today.productTdsMgL);
  const stops = closesWhenFull(design, today.water);
  const closes =
    today.fill === null
      ? 'with the tap'
      : today.fill.shutsOff && stops
        ? `at ${reader.say('pressure', today.fill.shutoffPressureBar)}`
        : 'never';
  return (
    <section className="panel" aria-label="What it does">
      <SimpleGrid
        cols={{ base: 2, md: 4 }}
        spacing={{ base: 'sm', md: 'lg' }}
        verticalSpacing={{ base: 'sm', md: 'md' }}
      >
        <div data-testid="production">
          <Figure
            hero
            label="Makes today"
            value={{ dimension: 'dailyVolume', core: today.productionLPerDay }}
            beside={`${production(today.productionLPerDay)}; asked: ${reader.say('dailyVolume', brief.requirements.demandLPerDay)}`}
            why={why.production}
          />
        </div>
        <div data-testid="worst">
          <Figure
            hero
            label="In the worst case"
            value={
              winter
                ? { dimension: 'dailyVolume', core: winter.productionLPerDay }
                : { text: 'nothing' }
            }
            beside={`${reader.say('temperature', brief.task.waters.worst.temperatureC)}, ${reader.say('pressure', brief.task.waters.worst.pressureBar)}, aged membrane`}
            why={why.worst}
          />
        </div>
        <div data-testid="product-tds">
          <Figure
            hero
            label="Product TDS"
            value={{ dimension: 'tds', core: today.productTdsMgL }}
            beside={`of ${reader.say('tds', today.water.tdsMgL)} in the feed; 9 in 10 elements give ${reader.number(band.lowMgL, 0)} to ${reader.say('tds', band.highMgL, 0)}`}
            why={why.tds}
          />
        </div>
        <div data-testid="rejection">
          <Figure
            hero
            label="Rejection"
            value={{ text: reader.number(today.rejection * 100, 1), unit: '%' }}
            beside={today.fill ? 'over a whole fill' : 'with the tap open'}
            why={why.rejection}
          />
        </div>
        <div data-testid="fill-time">
          {today.fill ? (
            <Figure
              label="Fills its tank in"
              value={{
                text: today.fill.shutsOff ? reader.minutes(today.fill.fillTimeMin) : 'never',
              }}
              beside={`${reader.say('volume', today.usableVolumeL)} usable, tank of ${reader.say('volume', design.tank!.volumeL, 0)}`}
              why={why.fill}
            />
          ) : (
            <Figure
              label="Pressure at the membrane"
              value={{ dimension: 'pressure', core: today.running.membranePressureBar }}
              beside="behind the pump, tap open"
              why={why.shutoff}
            />
          )}
        </div>
        <div data-testid="drain">
          <Figure
            label="To drain"
            value={{
              text: Number.isFinite(today.drainLPerProductL)
                ? reader.number(today.drainLPerProductL, 1)
                : '–',
              unit: 'per 1 of product',
            }}
            beside={`recovery ${reader.percent(today.recovery)}`}
            why={why.drain}
          />
        </div>
        <div data-testid="shut-off">
          <Figure
            label="Shut-off closes"
            value={{ text: closes }}
            beside={
              !stops
                ? 'the pump stops, the water does not'
                : winter?.fill?.shutsOff === false
                  ? 'never in the worst case'
                  : 'also in the worst case'
            }
            why={why.shutoff}
          />
        </div>
        <div data-testid="tap">
          <Figure
            label="At the tap"
            value={{ text: reader.number(today.secondsPerGlass, 0), unit: 's a glass' }}
            beside={`${reader.say('tapFlow', today.tapHalfLPerMin)}, pH ${reader.number(minerals?.pH ?? today.productPh, 1)}, ${reader.say('tds', minerals?.meterTdsMgL ?? today.productTdsMgL)}`}
            why={why.tap}
          />
        </div>
      </SimpleGrid>
    </section>
  );
}
