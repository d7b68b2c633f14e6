/** Standard acceleration of gravity (ISO 80000-3): what a gram of thrust is measured by. */
export const GRAVITY_M_PER_S2 = 9.80665;
