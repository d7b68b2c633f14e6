/** Codes of what pick says, each with the names of its values; its words are in the words room. */
export interface PickReasons {
  'pick.gains.minutes': 'name' | 'difference' | 'reference' | 'value';
  'pick.pays.minutes': 'value' | 'other';
  'pick.gains.thrust': 'value' | 'other';
  'pick.pays.thrust': 'value' | 'reference' | 'other';
  'pick.gains.answer': 'difference' | 'value';
  'pick.pays.answer': 'value' | 'other';
  'pick.gains.quiet': 'difference' | 'value';
  'pick.pays.quiet': 'difference' | 'value';
  'pick.gains.speed': 'value' | 'differenceRatio';
  'pick.pays.speed': 'value' | 'differenceRatio';
  'pick.gains.cool': 'value' | 'other';
  'pick.pays.cool': 'value' | 'other';
  'pick.gains.gentle': 'value' | 'other';
  'pick.pays.gentle': 'value' | 'other';
  'pick.gains.tough': 'value' | 'other';
  'pick.pays.tough': 'value' | 'other';
  'pick.same': 'name' | 'reference' | 'differenceRatio';
  'pick.barred.clearance': 'name' | 'value' | 'allowed';
  'pick.barred.neighbours': 'name' | 'value' | 'allowed';
  'pick.barred.ground': 'name' | 'value' | 'allowed';
  'pick.barred.boom': 'name' | 'value' | 'allowed';
  'pick.barred.carry': 'name' | 'value' | 'allowed';
  'pick.barred.escCurrent': 'name' | 'value' | 'allowed';
  'pick.barred.motorCurrent': 'name' | 'value' | 'allowed';
  'pick.barred.motorHeat': 'name' | 'value' | 'allowed';
  'pick.barred.packSag': 'name' | 'value' | 'allowed';
  'pick.barred.tipSpeed': 'name' | 'value' | 'allowed';
  'pick.barred.makerSpeed': 'name' | 'value' | 'allowed';
  'pick.barred.bore': 'name' | 'allowed' | 'value';
  'pick.barred.stock': 'name' | 'allowed' | 'value';
  'pick.calibrated': 'runCount' | 'propCount' | 'thrustRatio' | 'powerRatio';
  'pick.cannot.carry': 'name' | 'overRatio';
  'pick.cannot.packSag': 'name' | 'overRatio';
  'pick.closest.clearance': 'value' | 'allowed';
  'pick.closest.neighbours': 'value' | 'allowed';
  'pick.closest.ground': 'value' | 'allowed';
  'pick.closest.boom': 'value' | 'allowed';
  'pick.closest.carry': 'value' | 'allowed';
  'pick.closest.escCurrent': 'value' | 'allowed';
  'pick.closest.motorCurrent': 'value' | 'allowed';
  'pick.closest.motorHeat': 'value' | 'allowed';
  'pick.closest.packSag': 'value' | 'allowed';
  'pick.sag': 'sagCellV' | 'lossRatio' | 'emptyV';
  'pick.pack.measured': 'milliohm';
  'pick.pack.label': 'milliohm' | 'cRating';
  'pick.pack.usual': 'milliohm';
  'pick.duct': 'gainRatio';
  'pick.closest.tipSpeed': 'value' | 'allowed';
  'pick.closest.bore': 'allowed' | 'value';
  'pick.closest.stock': 'allowed' | 'value';
  'pick.closest.makerSpeed': 'value' | 'allowed';
  'pick.room.clearance': 'largestM';
  'pick.room.neighbours': 'largestM' | 'limitM';
  'pick.room.ground': 'largestM' | 'limitM';
  'pick.room.boom': 'largestM' | 'limitM';
  'pick.remedy.pitch': 'name' | 'to' | 'from';
  'pick.remedy.diameter': 'to' | 'from';
  'pick.remedy.blades': 'to' | 'from';
  'pick.remedy.cells': 'to' | 'from';
  'pick.remedy.motor': 'changeRatio' | 'to';
  'pick.remedy.kv': 'to' | 'from';
  'pick.remedy.pitch.notEnough': 'currentA' | 'to';
  'pick.remedy.diameter.notEnough': 'currentA' | 'to';
  'pick.remedy.blades.notEnough': 'currentA' | 'to';
  'pick.remedy.cells.notEnough': 'currentA' | 'to';
  'pick.remedy.motor.notEnough': 'currentA' | 'changeRatio';
  'pick.remedy.kv.notEnough': 'currentA' | 'to';
  'pick.noReference': never;
  'pick.discsMeet': 'diameterM' | 'limitM';
  'pick.predicted': never;
  'pick.measured': 'count';
}

declare module '../figure/reason.ts' {
  interface Reasons extends PickReasons {}
}
