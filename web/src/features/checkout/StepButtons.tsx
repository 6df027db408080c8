import { useMemo } from "react";
import { toast } from "sonner";
import { said } from "../../api/client";
import { useShortcuts } from "../../lib/useShortcuts";
import { Button } from "../../ui/Button";
import { useDraft, useStep } from "../draft";

/** Undo and redo of the checkout; each says what it takes back or makes again. */
export function StepButtons() {
  const draft = useDraft().data;
  const { mutate } = useStep();
  const back = draft?.back ?? "";
  const again = draft?.again ?? "";
  const shortcuts = useMemo(() => {
    const step = (way: "back" | "again", what: string) => () => {
      if (!what) return;
      mutate(way, {
        onError: (refused) => toast.error(said(refused)),
        onSuccess: () => {
          toast(way === "back" ? `Taken back: ${what}` : `Made again: ${what}`);
        },
      });
    };
    return { "Ctrl+z": step("back", back), "Ctrl+Z": step("again", again) };
  }, [mutate, back, again]);
  useShortcuts(shortcuts);
  if (!back && !again) return null;
  return (
    <>
      <Button
        look="quiet"
        disabled={!back}
        title={back}
        aria-label={`Undo: ${back}`}
        onClick={shortcuts["Ctrl+z"]}
      >
        Undo
      </Button>
      <Button
        look="quiet"
        disabled={!again}
        title={again}
        aria-label={`Redo: ${again}`}
        onClick={shortcuts["Ctrl+Z"]}
      >
        Redo
      </Button>
    </>
  );
}
