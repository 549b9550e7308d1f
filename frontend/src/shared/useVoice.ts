// The browser's own voice, one that speaks without a network where there is one.
import { useCallback, useEffect, useState } from "react";

const NAME = "said aloud";
const SLOWER = 0.75;

function voiceOf(synth: SpeechSynthesis): SpeechSynthesisVoice | undefined {
  const english = synth.getVoices().filter((each) => each.lang.startsWith("en"));
  return english.find((each) => each.localService) ?? english[0];
}

export function useVoice() {
  const synth = "speechSynthesis" in window ? window.speechSynthesis : null;
  const [can, setCan] = useState(() => synth !== null && voiceOf(synth) !== undefined);
  const [on, setOn] = useState(() => localStorage.getItem(NAME) === "yes");
  const [slow, setSlow] = useState(false);
  // Voices come some time after the page.
  useEffect(() => {
    const heard = () => setCan(synth !== null && voiceOf(synth) !== undefined);
    heard();
    synth?.addEventListener("voiceschanged", heard);
    return () => {
      synth?.removeEventListener("voiceschanged", heard);
      synth?.cancel();
    };
  }, [synth]);
  const say = useCallback(
    (text: string) => {
      const voice = synth ? voiceOf(synth) : undefined;
      if (synth && voice) {
        synth.cancel();
        const spoken = new SpeechSynthesisUtterance(text);
        spoken.voice = voice;
        spoken.lang = voice.lang;
        spoken.rate = slow ? SLOWER : 1;
        synth.speak(spoken);
      }
    },
    [synth, slow],
  );
  return {
    can,
    on: on && can,
    slow,
    say,
    turn: () => {
      localStorage.setItem(NAME, on ? "no" : "yes");
      synth?.cancel();
      setOn(!on);
    },
    slower: () => setSlow(!slow),
  };
}
