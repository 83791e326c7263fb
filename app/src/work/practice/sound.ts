let audio: AudioContext | null = null;

/** What a tap sounds like: a note that rings on, or dies at once. Whoever does not hear it sees its trace. */
export function tapSound({ hertz, seconds }: { hertz: number; seconds: number }): void {
  try {
    audio ??= new AudioContext();
    const [note, loud] = [audio.createOscillator(), audio.createGain()];
    const now = audio.currentTime;
    note.frequency.value = hertz * 4;
    note.type = seconds > 0.3 ? 'triangle' : 'sine';
    loud.gain.setValueAtTime(0.5, now);
    loud.gain.exponentialRampToValueAtTime(0.001, now + seconds * 3);
    note.connect(loud).connect(audio.destination);
    note.start(now);
    note.stop(now + seconds * 3 + 0.05);
  } catch {
    // A device without sound shows the trace.
  }
}
