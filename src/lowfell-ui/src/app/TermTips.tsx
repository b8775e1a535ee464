import { useEffect, useState } from "react";
import { type Term, termsIn } from "../craft/glossary";

const named = "label, th, dt, legend, summary, h2, h3, [data-term]";
const waitMs = 550;
// Whoever goes from field to field is left alone.
const focusWaitMs = 1_200;
const mostLetters = 60;
const most = 2;

interface Shown {
  terms: Term[];
  left: number;
  top: number;
  /** Shown for a field that is typed in: what lies under it can still be pressed. */
  forField: boolean;
}

/** Explains the terms of a label, heading or column that the pointer rests on, and of the field that the keyboard stays in. All words stand behind "?" too. */
export function TermTips() {
  const [shown, setShown] = useState<Shown>();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over: Element | null = null;
    const hide = () => {
      clearTimeout(timer);
      over = null;
      setShown(undefined);
    };
    const later = (text: string, under: Element, ms: number, forField: boolean) => {
      if (text.length > mostLetters) return false;
      const terms = termsIn(text).slice(0, most);
      if (terms.length === 0) return false;
      timer = setTimeout(() => {
        const box = under.getBoundingClientRect();
        setShown({
          terms,
          left: Math.max(8, Math.min(box.left, window.innerWidth - 308)),
          top: box.bottom + 4,
          forField,
        });
      }, ms);
      return true;
    };
    const onOver = (e: PointerEvent) => {
      if (e.pointerType !== "mouse" || !(e.target instanceof Element)) return;
      if (e.target.closest("[data-testid=term-tip]")) return;
      const at = e.target.closest(named);
      if (at === over) return;
      hide();
      if (at && later(at.textContent ?? "", at, waitMs, false)) over = at;
    };
    // By the keyboard: what a field is called is explained below it, while nothing is typed.
    const onFocus = (e: FocusEvent) => {
      hide();
      const field = e.target;
      if (!(field instanceof HTMLElement) || !field.matches(":focus-visible")) return;
      later((field as HTMLInputElement).labels?.[0]?.textContent ?? "", field, focusWaitMs, true);
    };
    const onKey = (e: KeyboardEvent) => e.key !== "Tab" && hide();
    document.addEventListener("pointerover", onOver);
    document.addEventListener("focusin", onFocus);
    document.addEventListener("focusout", hide);
    document.addEventListener("pointerdown", hide, true);
    document.addEventListener("scroll", hide, true);
    document.addEventListener("keydown", onKey);
    return () => {
      clearTimeout(timer);
      document.removeEventListener("pointerover", onOver);
      document.removeEventListener("focusin", onFocus);
      document.removeEventListener("focusout", hide);
      document.removeEventListener("pointerdown", hide, true);
      document.removeEventListener("scroll", hide, true);
      document.removeEventListener("keydown", onKey);
    };
  }, []);
  if (!shown) return null;
  return (
    <div
      role="tooltip"
      data-testid="term-tip"
      className={`fixed z-50 w-75 rounded border border-strong bg-raised px-3 py-2 text-sm shadow-lg ${shown.forField ? "pointer-events-none" : ""}`}
      style={{ left: shown.left, top: shown.top }}
    >
      {shown.terms.map((t) => (
        <p key={t.word}>
          <strong className="font-semibold">{t.word}</strong>: {t.says}
        </p>
      ))}
    </div>
  );
}
