import journeys from './playwright.config.ts';

/** Pictures of the main views for docs/screenshots; run by `npm run screenshots`. */
export default { ...journeys, projects: undefined, testMatch: 'pictures.ts', reporter: [['list']] };
