import { useEffect, useState } from 'react';

/** Says across the bench what is next, with the browser's own voice; off until it is asked for. */
export function useCaller(text: string): { isThere: boolean; isOn: boolean; toggle: () => void } {
  const isThere = typeof window !== 'undefined' && 'speechSynthesis' in window;
  const [isOn, setOn] = useState(false);
  useEffect(() => {
    if (!isThere || !isOn) return undefined;
    const { speechSynthesis } = window;
    speechSynthesis.cancel();
    // Signs that a voice swallows are words to it.
    speechSynthesis.speak(new SpeechSynthesisUtterance(text.replaceAll('×', ' by ')));
    return () => speechSynthesis.cancel();
  }, [isThere, isOn, text]);
  return { isThere, isOn, toggle: () => setOn((now) => !now) };
}
