import type { CareReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What care says, in words. */
export const careSentences: Sentences<CareReasons> = {
  'care.pair': () => 'One blade of a folding prop is damaged: change both on that motor.',
  'care.crack': (p) => `Crack at the ${p.carePlace('place')}: retire it, whatever else is good.`,
  'care.missing': (p) =>
    `A piece is missing at the ${p.carePlace('place')}: it cannot be balanced and may go on breaking.`,
  'care.white': (p) =>
    `White at the ${p.carePlace('place')}: the ${p.material('material')} has yielded and will tear there.`,
  'care.milky': (p) => `Milky spot at the ${p.carePlace('place')}: layers of carbon have come apart.`,
  'care.woodRoot': (p) => `Crazed lacquer at the ${p.carePlace('place')}: on wood the root is where it breaks.`,
  'care.lacquer': (p) => `Crazed lacquer at the ${p.carePlace('place')}: sand, lacquer, balance again.`,
  'care.nickCarbon': (p) => `Nick in carbon at the ${p.carePlace('place')}: carbon hides how deep it goes.`,
  'care.nickPrinted': (p) =>
    `Nick at the ${p.carePlace('place')} of a printed part: it splits between its layers from there.`,
  'care.nickRoot': (p) => `Nick at the ${p.carePlace('place')}: the root carries the whole pull of the blade.`,
  'care.nickDress': (p) =>
    `Nick felt at the ${p.carePlace('place')}: dress it smooth with two fine grits, then balance it again.`,
  'care.bendBack': (p) =>
    `Bent at the ${p.carePlace('place')}: polycarbonate may be bent back by hand; white marks after it retire it.`,
  'care.bend': (p) => `Bent at the ${p.carePlace('place')}: ${p.material('material')} does not come back true.`,
  'care.wornBore': () => 'The bore is worn: it runs beside its own centre, and no balancing holds.',
  'care.wornMount': () => 'Worn nut, thread or screws: new ones, locked.',
  'care.wornPivot': () => 'The folding pivot is worn: the blade flaps out of its line.',
  'care.wornEdge': (p) => `Worn at the ${p.carePlace('place')}: smooth it and balance it again.`,
  'care.loose': (p) => `Loose at the ${p.carePlace('place')}: new lock nut or screws, then twist each blade.`,
  'care.looseHub': (p) => `Loose at the ${p.carePlace('place')}: an insert that moves cannot be trusted.`,
  'care.stiff': () => 'The folding pivot is stiff: clean and free it until both blades swing alike.',
  'care.stiffStrict': () => 'The folding pivot does not swing free: it goes on the strict policy.',
  'care.dirt': (p) => `Dirt at the ${p.carePlace('place')}: wipe it off; grass and insects weigh.`,
  'care.scrape': (p) => `Cosmetic scrape at the ${p.carePlace('place')}: it flies. Feel it again next time.`,
  'care.doubt': (p) => `Damage at the ${p.carePlace('place')}: the strict policy mends nothing.`,
  'care.notMakers': () => 'A mended piece is no longer the maker’s part: a new one goes on.',
  'care.crashStrict': () => 'A hard strike on the strict policy: nothing from this craft flies again.',
  'care.struckCarbon': () => 'Carbon after a strike: it hides what broke inside.',
  'care.void': () => 'A void or short moulding: it breaks there one day. Retire it.',
  'care.struckLight': () => 'A light strike: counted, and looked at twice.',
  'care.struckLookTrue': (p) =>
    `${p.materialFirst('material')} after a light strike: look along every edge and balance it again.`,
  'care.struckBrittle': (p) => `${p.materialFirst('material')} after a hard strike: it breaks at the next one.`,
  'care.struckTrue': () => 'A hard strike: look at every edge, then balance it again.',
  'care.wrong.tips': (p) => `${p.text('name')} would tip over on take-off: set its pieces right in Fit.`,
  'care.wrong.pressed': (p) => `${p.text('name')} would press itself to the ground: its pieces are all the other hand.`,
  'care.wrong.cannotLift': (p) => `${p.text('name')} would not lift: labels face the wrong way.`,
  'care.wrong.cannotFly': (p) => `${p.text('name')} cannot be flown as its motors turn: see Fit.`,
  'care.wrong.yawRunsAway': (p) =>
    `${p.text('name')} would lift, then yaw runs away: its motors turn against the controller’s table.`,
  'care.wrong.yawDrifts': (p) =>
    `${p.text('name')} would lift and pull to one side in yaw: ${p.number('count')} of ${p.number('of')} arms ` +
    'are wrong.',
  'care.wrong.pushesBack': (p) => `${p.text('name')} would push backwards: the piece is the other hand.`,
  'care.wrong.weak': (p) => `${p.text('name')} would pull weakly: a label faces the wrong way.`,
  'care.unknown': (p) => `What is on the arms of ${p.text('name')} is not all known: say it in Fit.`,
  'care.mixed': (p) => `${p.number('count')} models are mixed on ${p.text('name')}: one model on every arm.`,
  'care.unseen': (p) =>
    `The spin of ${p.text('of') === '1' ? 'its motor' : `${p.number('count')} of ${p.number('of')} motors`} ` +
    'was never seen.',
  'care.untrued': (p) => `${p.text('tags')} ${p.are('count')} to be balanced first: at this size the pull is felt.`,
  'care.neverSigned': (p) => `Nobody has signed for the props of ${p.text('name')} yet.`,
  'care.signedBefore': (p) =>
    `${p.text('count') === '1' ? `${p.placeFirst('place')} was` : `${p.number('count')} arms were`} changed ` +
    'since somebody signed: look at every arm and sign again.',
  'care.grounded': (p) => `${p.text('tags')} ${p.are('count')} grounded: ${p.text('alert')}.`,
  'care.open.clean': (p) => `${p.text('tags')}: clean up and balance again before flight.`,
  'care.open.retire': (p) => `${p.text('tags')} ${p.are('count')} to be retired. Take a spare.`,
  'care.open.retirePair': (p) => `${p.text('tags')}: retire the pair on that motor.`,
  'care.open.retireSet': (p) => `${p.text('tags')}: the whole set is retired after the crash.`,
  'care.spentFatigue': (p) =>
    `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life by stress and ` +
    'strikes: replace.',
  'care.spentHours': (p) =>
    `${p.text('tags')} ${p.have('count')} flown ${p.number('hours', 1)} h, ${p.share('usedRatio')} of what is ` +
    'usual for the material (experience): replace.',
  'care.soonDays': (p) =>
    `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life: due in ` +
    `${p.number('days')} days at this pace.`,
  'care.lifeByHours': (p) => `By hours alone it would be ${p.share('ratio')}: the larger of the two counts.`,
  'care.lifeByFatigue': (p) => `By stress and strikes it would be ${p.share('ratio')}: the larger of the two counts.`,
  'care.soon': (p) => `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life.`,
  'care.strikes': (p) =>
    `${p.number('count')} ${p.text('count') === '1' ? 'strike' : 'strikes'} since the last look: walk round ` +
    'before it flies.',
  'care.feelMotor': (p) => `Motor ${p.text('tag')} was struck: spin it bare, feel the bearing, watch the shaft’s tip.`,
  'care.missingPieces': (p) => `${p.number('count')} of ${p.number('of')} arms without a tagged piece.`,
  'care.neverLooked': (p) => `Nobody has walked round ${p.text('name')} yet.`,
  'care.flownSince': (p) =>
    `${p.text('name')} flew ${p.text('count') === '1' ? 'once' : `${p.number('count')} times`} since the last ` +
    'look: walk round before the next flight.',
  'care.staleLook': (p) => `The last look is of ${p.day('day')}: a look is of the same day.`,
  'care.changedSince': (p) =>
    `${p.text('count') === '1' ? `${p.placeFirst('place')} was` : `${p.number('count')} arms were`} changed ` +
    'since the last look: walk round again.',
  'care.hurried': (p) =>
    `The last look took ${p.number('seconds', 1)} s a prop; under ${p.number('least')} s nobody sees a hair crack.`,
  'care.changesLeft': (p) =>
    `${p.number('count')} full ${p.text('count') === '1' ? 'change' : 'changes'} left beside what flies; ` +
    `${p.text('hand')} runs out first.`,
  'care.noChange': (p) => `No full change left beside what flies: ${p.text('hand')} is missing.`,
  'care.cold': (p) =>
    `${p.materialFirst('material')} at ${p.quantity('temperatureC', 'temperature')}: under ` +
    `${p.quantity('limitC', 'temperature')} it turns brittle (experience).`,
  'care.hot': (p) =>
    `${p.materialFirst('material')} at ${p.quantity('temperatureC', 'temperature')}: over ` +
    `${p.quantity('limitC', 'temperature')} it softens (experience).`,
};
