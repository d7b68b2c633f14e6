import '@mantine/spotlight/styles.layer.css';
import { useDebouncedValue } from '@mantine/hooks';
import { createSpotlight, Spotlight } from '@mantine/spotlight';
import { symptomNames } from '@zivvo/core';
import { symptomWords } from '@zivvo/words';
import { useEffect, useState } from 'react';
import { useFoundQuery } from '../shared/api/workshopApi.ts';
import { useKeysInForce } from '../shared/keys/keys.ts';
import { useGo } from '../shared/inHand/useInHand.ts';
import { foundNames, pathOfFound } from '../shared/ui/foundPlaces.ts';

const [finderStore, finder] = createSpotlight();

const MOST_SYMPTOMS = 6;

/** Keys of moving about, which mean nothing without a place to be at. */
const NOT_A_DEED = /^(?:Arrow|Enter|Escape|Home|End|Page|[/?])/;

/** Finds whatever has a name, pages, symptoms, and what can be done on the page, by a few letters. */
export default function Finder({
  pages: all,
  onClose,
}: {
  pages: readonly { title: string; path: string }[];
  onClose: () => void;
}) {
  const go = useGo();
  const [words, setWords] = useState('');
  const [asked] = useDebouncedValue(words.trim(), 120);
  const { currentData: found = [], isFetching } = useFoundQuery(asked, { skip: asked === '' });
  useEffect(() => finder.open(), []);
  const pages = all.filter((p) => p.title.toLowerCase().includes(asked.toLowerCase()));
  const deeds = useKeysInForce().filter(
    (k) => asked !== '' && !NOT_A_DEED.test(k.key) && k.what.toLowerCase().includes(asked.toLowerCase()),
  );
  const symptoms =
    asked === ''
      ? []
      : symptomNames.filter((s) => symptomWords[s].toLowerCase().includes(asked.toLowerCase())).slice(0, MOST_SYMPTOMS);
  const open = (run: () => void) => () => {
    onClose();
    run();
  };
  return (
    <Spotlight.Root
      store={finderStore}
      query={words}
      onQueryChange={setWords}
      onSpotlightClose={onClose}
      shortcut={null}
      clearQueryOnClose={false}
      transitionProps={{ duration: 0 }}
    >
      <Spotlight.Search placeholder="Craft, prop, run, flight, page" aria-label="Find anything" />
      <Spotlight.ActionsList>
        {found.map((f) => (
          <Spotlight.Action
            key={`${f.kind}${f.id}${f.propModelId}`}
            label={f.title}
            description={`${foundNames[f.kind]} · ${f.detail}`}
            onClick={open(() =>
              go(pathOfFound(f), {
                ...(f.craftId === null ? {} : { craftId: f.craftId }),
                ...(f.propModelId === null ? {} : { propModelId: f.propModelId }),
              }),
            )}
          />
        ))}
        {pages.map((p) => (
          <Spotlight.Action key={p.path} label={p.title} description="Page" onClick={open(() => go(p.path))} />
        ))}
        {symptoms.map((s) => (
          <Spotlight.Action
            key={s}
            label={symptomWords[s]}
            description="Symptom"
            onClick={open(() => go('/care/symptoms'))}
          />
        ))}
        {deeds.map((deed) => (
          <Spotlight.Action
            key={deed.key}
            label={deed.what}
            description={`On this page · key ${deed.key}`}
            onClick={open(deed.run)}
          />
        ))}
        {found.length + pages.length + symptoms.length + deeds.length === 0 && (
          <Spotlight.Empty>{isFetching ? 'Looking…' : `Nothing is called “${words}”.`}</Spotlight.Empty>
        )}
      </Spotlight.ActionsList>
    </Spotlight.Root>
  );
}
