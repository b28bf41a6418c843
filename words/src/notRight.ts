import type { FillExplanation, HandCause, FaultCode, SeenSign } from '@katharos/core';
import type { Reader } from './reader.ts';

/** What is seen that is not right, as a person would say it. */
export const signNames: Record<SeenSign, string> = {
  'no-water-at-tap': 'Hardly a drop at the tap',
  'no-water-to-drain': 'Nothing runs to the drain',
  'drain-runs-hard': 'The drain runs hard',
  'drain-goes-on': 'The drain does not stop',
  'fills-slowly': 'It fills far too slowly',
  'weak-tap': 'The tap is weak',
  'tds-high': 'The TDS is high',
  drips: 'It drips',
  'stays-dark': 'The water stays dark or cloudy',
  chlorine: 'The strip shows chlorine',
  'pump-silent': 'The pump is silent',
  noise: 'Noise',
};

/** A cause and its mend, each in a sentence. */
export interface CauseWords {
  cause: string;
  mend: string;
}

export const faultWords: Record<FaultCode | 'water-cold', CauseWords> = {
  healthy: {
    cause: 'Nothing is wrong: it does what such a system does.',
    mend: 'Nothing to mend.',
  },
  'supply-valve-partly-open': {
    cause: 'The feed valve is not fully open.',
    mend: 'Open it to its stop; a saddle’s needle has to be drawn back fully. A saddle valve that stays narrow is replaced.',
  },
  'prefilter-blocked': {
    cause: 'A pre-filter lets too little through.',
    mend: 'Look for a wrapper or cap left on it, and for dirt from the line. A new cartridge; compare the flow before and after.',
  },
  'membrane-absent': {
    cause: 'There is no membrane in the vessel.',
    mend: 'Open the vessel and look.',
  },
  'membrane-bypass': {
    cause: 'Feed passes the membrane’s O-rings: it is not pushed home, or a ring is cut.',
    mend: 'Draw the element, look at both small rings, grease them, and push it home until it seats.',
  },
  'membrane-oxidised': {
    cause: 'Chlorine has eaten the membrane.',
    mend: 'A strip behind the carbon; where it shows chlorine, carbon first, then a new element.',
  },
  'membrane-scaled': {
    cause: 'The element passes too little: scaled, fouled, or dried out in store.',
    mend: 'A new element. One that only dried out in store comes back after half an hour under pressure.',
  },
  'restrictor-missing': {
    cause: 'There is no restrictor in the drain line, or it is far too wide.',
    mend: 'The restrictor belongs between the vessel’s drain port and the drain, arrow with the flow, of the size that the element wants.',
  },
  'restrictor-blocked': {
    cause: 'The restrictor passes too little.',
    mend: 'Replace it by one of the same size. It is the restrictor if hardly anything runs with the tube off behind it either.',
  },
  'drain-line-blocked': {
    cause:
      'The drain line is blocked behind the restrictor: a kink, an insert left in, a saddle whose hole does not meet the pipe’s.',
    mend: 'Follow the line from the restrictor to the saddle, and look through its hole. It is the line if it runs with the tube off behind the restrictor.',
  },
  'brine-seal-failed': {
    cause:
      'Feed passes outside the element: its brine seal is torn, turned, or the element is in the wrong way round.',
    mend: 'Draw the element. The seal’s lip faces the feed; a torn one is replaced, a reversed element turned.',
  },
  'membrane-old': {
    cause: 'The membrane is simply old.',
    mend: 'A new element, a new baseline, and this verification once more.',
  },
  'carbon-spent': {
    cause: 'The carbon lets chlorine through.',
    mend: 'New carbon now, before the membrane takes harm; then the strip again.',
  },
  'bladder-torn': {
    cause: 'The tank’s bladder is torn: water stands where its air should be.',
    mend: 'A new tank, its air set to what is computed.',
  },
  'product-tube-kinked': {
    cause: 'The product tube is pinched between the membrane and the tee.',
    mend: 'Follow it with the fingers: behind the unit, under the tank, through a panel. A kinked end is cut back or the tube replaced.',
  },
  'sampled-after-minerals': {
    cause: 'The cup was filled behind the minerals, where it reads higher by design.',
    mend: 'Take the sample at the membrane’s outlet and enter it anew.',
  },
  'sampled-after-standing': {
    cause: 'The cup was too early: first water after standing, or a minute or two of running.',
    mend: 'Let ten minutes run or two litres out, then take the sample anew.',
  },
  'sampled-first-tank': {
    cause: 'The cup still held what the new tank was kept fresh with.',
    mend: 'Drain the tank once more and fill it, or take the sample at the membrane.',
  },
  'meters-differ': {
    cause: 'Feed and product were read with meters that differ, or on two scales.',
    mend: 'One pen, one scale, both cups within a minute; enter both anew.',
  },
  'feed-water-changed': {
    cause: 'The water is not the one that was surveyed.',
    mend: 'Ask what changed: another well, a softener, the season. Enter the new water in the survey; the system is judged by it.',
  },
  'meter-miscalibrated': {
    cause: 'The TDS meter is out.',
    mend: 'Check it in the reference solution, set it, and read both cups again.',
  },
  'check-valve-leaking': {
    cause: 'The check valve behind the membrane lets product run back.',
    mend: 'Replace it, arrow with the flow. It leaks if the drain runs on with the feed closed and the tank full.',
  },
  'shutoff-stuck-open': {
    cause: 'What ends the filling does not close.',
    mend: 'Look at its lines: product pressure has to reach it. A valve with dirt on its seat is rinsed or replaced; a switch is set or replaced.',
  },
  'shutoff-stuck-closed': {
    cause: 'The shut-off or the solenoid lets nothing in.',
    mend: 'Is its tube off, its plug out, its arrow the wrong way round? Otherwise replace it: bypassed once with a union, the water runs.',
  },
  'supply-pressure-low': {
    cause: 'The supply has far less pressure than was read.',
    mend: 'Gauge on the cold line, running. The house’s valve may be half closed, or the pressure is like this at this hour.',
  },
  'precharge-lost': {
    cause: 'The tank has lost its air.',
    mend: 'Tank empty, gauge on its air valve; pump it up to what is computed. Soap on the valve shows a leak.',
  },
  'precharge-high': {
    cause: 'The tank has too much air.',
    mend: 'Tank empty, let air off to what is computed.',
  },
  'post-filter-blocked': {
    cause: 'The post filter passes too little.',
    mend: 'Arrow with the flow? Otherwise a new one; compare the tap before and after.',
  },
  'lines-swapped': {
    cause: 'Product and drain lines are exchanged.',
    mend: 'At the vessel the centre port gives product; the one with the restrictor goes to the drain.',
  },
  'pump-off': {
    cause: 'The pump does not run, and water only passes it.',
    mend: 'Plug, outlet, both switches. A hand on it tells whether it turns.',
  },
  'pump-weak': {
    cause: 'The pump builds too little pressure: air in it, or worn.',
    mend: 'Tap open until it hums deeper; the inlet tube straight and full. Gauge behind it.',
  },
  'tank-valve-closed': {
    cause: 'The valve on the tank is closed.',
    mend: 'Handle along the tube is open.',
  },
  'water-cold': {
    cause: 'The water is much colder than was read.',
    mend: 'Thermometer in running cold water, and the reading in the survey; every time here follows it.',
  },
};

export const handCauseWords: Record<HandCause, CauseWords> = {
  'tube-not-home': {
    cause: 'The tube is in to the first stop only.',
    mend: 'Push it past the first stop to the mark, clip on, tug.',
  },
  'tube-cut-askew': {
    cause: 'The tube’s end is askew, scratched or oval.',
    mend: 'Cut it square two centimetres back, push it home.',
  },
  'housing-ring': {
    cause: 'The housing’s O-ring is dry, twisted or dirty.',
    mend: 'Open it; ring and groove clean, greased, back in; hand tight and a snug turn.',
  },
  'nut-or-thread': {
    cause: 'A nut is loose, or a thread has too little tape.',
    mend: 'Nut a quarter turn; tapered threads anew with tape. Never under pressure.',
  },
  'fines-still-leaving': {
    cause: 'Dust of new carbon or minerals is still leaving.',
    mend: 'Run on; look into a fresh cup every minute. White water that clears from below is air and does no harm.',
  },
  'cartridge-not-seated': {
    cause: 'A cartridge does not sit on its ring, and water passes it.',
    mend: 'Open the housing, seat it on the spigot, both gaskets in place.',
  },
  'cartridge-burst': {
    cause: 'A cartridge is damaged.',
    mend: 'Look at it, put another in.',
  },
  'flow-too-fast': {
    cause: 'Into the bucket it runs far faster than it ever will: the carbon has no time.',
    mend: 'Throttle the feed to a thin stream and test again after a minute.',
  },
  'wrong-cartridge': {
    cause: 'There is no carbon in this place, or not one for chloramine.',
    mend: 'Compare the label with the parts list.',
  },
  'outlet-dead': {
    cause: 'The outlet is dead or switched off.',
    mend: 'Try another appliance in it with dry hands. What is wrong with the outlet is an electrician’s.',
  },
  'low-pressure-switch': {
    cause: 'The inlet switch holds it: too little pressure before the pump.',
    mend: 'Feed valve fully open? Gauge before the pump, running.',
  },
  'tank-full-switch': {
    cause: 'The pressure switch holds it: it feels pressure, as with a full tank.',
    mend: 'Open the tap. If it starts, all is well.',
  },
  'air-in-pump': {
    cause: 'There is air in the pump.',
    mend: 'Tap open, wait two minutes; tilt the pump with its outlet up.',
  },
  'pump-starved': {
    cause: 'The pump wants more than comes.',
    mend: 'Feed valve fully open, inlet tube without a kink, pre-filters clear.',
  },
  'water-hammer': {
    cause: 'A valve that closes fast knocks.',
    mend: 'Fasten what moves; a small arrester on the cold line where it goes on.',
  },
};

const noneWords: CauseWords = {
  cause: 'None of these.',
  mend: 'Note what you see and take a photograph. Close the feed if water goes where it should not.',
};

export const causeWords = (cause: string): CauseWords =>
  (faultWords as Record<string, CauseWords>)[cause] ??
  (handCauseWords as Record<string, CauseWords>)[cause] ??
  noneWords;

/** What alone would explain how long a fill took. */
export function explanationWords(explanation: FillExplanation, reader: Reader): string {
  switch (explanation.cause) {
    case 'pressure':
      return `a supply of ${reader.say('pressure', explanation.bar)} while it ran`;
    case 'temperature':
      return `water of ${reader.say('temperature', explanation.celsius)}`;
    case 'prefilter':
      // Beyond this nobody means the figure.
      return explanation.factor > 10
        ? 'pre-filters that are nearly blocked'
        : `pre-filters that cost ${reader.number(explanation.factor, 1)} times their drop when new`;
    case 'feed-valve':
      return 'a feed valve that is nearly closed';
    case 'precharge':
      return `an air charge of ${reader.say('pressure', explanation.bar)} in the tank`;
    case 'pump':
      return explanation.share < 0.05
        ? 'a pump that does not run'
        : `a pump that builds ${reader.percent(explanation.share)} of its boost`;
  }
}
