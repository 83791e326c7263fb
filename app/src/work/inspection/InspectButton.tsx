import { type Draft, PURPOSE_ROLES, progressWords, type Route, type UnitPage } from '@zealous-axle/core';
import { router } from 'expo-router';
import Ruler from 'lucide-react-native/icons/ruler';
import { useEffect, useState } from 'react';
import { openDrafts } from '../../device/drafts';
import { Button } from '../../parts/Button';
import { useMay } from '../../session/may';
import { useSession } from '../../session/session';
import { startInspection } from '../../session/start-inspection';
import { RoutePicker } from './RoutePicker';

/** The inspection in progress on this device, if there is one this person may go on with. */
function useOpenDraft(unit: string, mayMeasure: boolean): Draft | null | undefined {
  const [draft, setDraft] = useState<Draft | null>();
  useEffect(() => {
    let here = true;
    void openDrafts(unit).then((drafts) => {
      if (here) setDraft(drafts.find(({ purpose }) => mayMeasure || purpose === 'walk') ?? null);
    });
    return () => {
      here = false;
    };
  }, [unit, mayMeasure]);
  return draft;
}

/** Begins an inspection, or goes on with the one begun here. */
export function InspectButton({ unit }: { unit: UnitPage }) {
  const session = useSession();
  const [picking, setPicking] = useState(false);
  const mayMeasure = useMay(PURPOSE_ROLES.full);
  const draft = useOpenDraft(unit.id, mayMeasure);
  const [busy, setBusy] = useState(false);
  if (draft === undefined) return null;
  if (draft) {
    return (
      <Button
        tall
        look="act"
        icon={Ruler}
        className="grow"
        label={`Continue, ${progressWords(draft)}`}
        onPress={() => router.navigate(`/inspect/${draft.inspection}`)}
      />
    );
  }
  const begin = async (route: Route) => {
    if (busy) return;
    setBusy(true);
    setPicking(false);
    router.navigate(`/inspect/${await startInspection({ unit, session, by: { route } })}`);
  };
  return (
    <>
      <Button
        tall
        look="act"
        icon={Ruler}
        className="grow"
        label={mayMeasure ? 'Inspect' : 'Walk round'}
        onPress={() => setPicking(true)}
        disabled={busy}
      />
      {picking ? <RoutePicker unit={unit} onPick={begin} onClose={() => setPicking(false)} /> : null}
    </>
  );
}
