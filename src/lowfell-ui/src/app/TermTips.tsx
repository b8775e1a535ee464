import { useEffect, useState } from "react";
import { type Term, termsIn } from "../craft/glossary";

const named = "label, th, dt, legend, summary, h2, h3, [data-term]";
const waitMs = 550;
const mostLetters = 60;
const most = 2;

interface Shown {
  terms: Term[];
  left: number;
  top: number;
}

/** Explains the terms of a label, heading or column that the pointer rests on. By the keyboard the same words stand behind "?". */
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
    const onOver = (e: PointerEvent) => {
      if (e.pointerType !== "mouse" || !(e.target instanceof Element)) return;
      if (e.target.closest("[data-testid=term-tip]")) return;
      const at = e.target.closest(named);
      if (at === over) return;
      hide();
      const text = at?.textContent ?? "";
      if (!at || text.length > mostLetters) return;
      const terms = termsIn(text).slice(0, most);
      if (terms.length === 0) return;
      over = at;
      timer = setTimeout(() => {
        const box = at.getBoundingClientRect();
        setShown({ terms, left: Math.max(8, Math.min(box.left, window.innerWidth - 308)), top: box.bottom + 4 });
      }, waitMs);
    };
    const onKey = (e: KeyboardEvent) => e.key === "Escape" && hide();
    document.addEventListener("pointerover", onOver);
    document.addEventListener("pointerdown", hide, true);
    document.addEventListener("scroll", hide, true);
    document.addEventListener("keydown", onKey);
    return () => {
      clearTimeout(timer);
      document.removeEventListener("pointerover", onOver);
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
      className="fixed z-50 w-75 rounded border border-strong bg-raised px-3 py-2 text-sm shadow-lg"
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
