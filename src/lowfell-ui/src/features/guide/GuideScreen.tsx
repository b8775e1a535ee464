import { Search } from "lucide-react";
import { useState } from "react";
import Markdown, { type Components } from "react-markdown";
import { NavLink, useNavigate, useParams } from "react-router";
import { TextInput } from "../../ui";
import { find, type GuideHit, pages } from "./guide";
import { pictures } from "./pictures";

const parts: Components = {
  h3: ({ children }) => <h3 className="mt-6 mb-1 font-semibold">{children}</h3>,
  p: ({ children }) => <p className="my-2 leading-relaxed">{children}</p>,
  ul: ({ children }) => <ul className="my-2 flex list-disc flex-col gap-1.5 pl-5 leading-relaxed">{children}</ul>,
  strong: ({ children }) => <strong className="font-semibold">{children}</strong>,
  code: ({ children }) => (
    <kbd className="rounded border border-line bg-raised px-1 py-0.5 font-sans text-sm whitespace-nowrap">
      {children}
    </kbd>
  ),
  img: ({ src, alt }) => (
    <img
      src={pictures[String(src)]}
      alt={alt ?? ""}
      loading="lazy"
      className="my-3 w-full max-w-160 rounded border border-line"
    />
  ),
};

/** What the program does, place by place, in the painter's words; at hand without a network. */
export function GuideScreen() {
  const { page: slug } = useParams();
  const [asked, setAsked] = useState("");
  const hits = find(asked);
  const page = pages.find((p) => p.slug === slug) ?? pages[0]!;
  return (
    <div className="mx-auto grid w-full max-w-[1100px] flex-1 grid-cols-1 content-start items-start gap-4 p-3 md:grid-cols-[14rem_minmax(0,1fr)]">
      <div className="flex flex-col gap-2 md:sticky md:top-3">
        <h1 className="text-lg font-semibold">Guide</h1>
        <label className="flex items-center gap-2">
          <Search size={15} aria-hidden className="text-soft" />
          <TextInput
            type="search"
            aria-label="Find in the guide"
            placeholder="Find in the guide"
            value={asked}
            onChange={(e) => setAsked(e.target.value)}
          />
        </label>
        <nav aria-label="Pages of the guide" className="scroll-quiet flex gap-1 overflow-x-auto text-sm md:flex-col">
          {pages.map((p) => (
            <NavLink
              key={p.slug}
              to={`/guide/${p.slug}`}
              onClick={() => setAsked("")}
              aria-current={p === page && asked === "" ? "page" : undefined}
              className={`rounded px-2 py-1 whitespace-nowrap hover:bg-tint ${p === page && asked === "" ? "bg-tint font-semibold" : "text-soft"}`}
            >
              {p.title}
            </NavLink>
          ))}
        </nav>
      </div>
      {asked.trim() ? (
        <Found asked={asked} hits={hits} onOpen={() => setAsked("")} />
      ) : (
        <article
          key={page.slug}
          aria-label={page.title}
          className="rounded-lg border border-line bg-panel px-5 py-4 sm:px-7"
          data-testid="guide-page"
        >
          <h2 className="text-xl font-semibold">{page.title}</h2>
          <Markdown components={parts}>{page.text}</Markdown>
        </article>
      )}
    </div>
  );
}

function Found({ asked, hits, onOpen }: { asked: string; hits: GuideHit[]; onOpen: () => void }) {
  const go = useNavigate();
  return (
    <section aria-label="Found in the guide" className="rounded-lg border border-line bg-panel p-3">
      {hits.length === 0 && (
        <p className="p-2 text-sm text-soft">
          Try another word: the guide says nothing of “{asked.trim()}”. Words of the craft are explained behind ?.
        </p>
      )}
      <ul data-testid="guide-hits">
        {hits.map((h, i) => (
          <li key={i}>
            <button
              type="button"
              className="w-full rounded px-2 py-1.5 text-left text-sm hover:bg-tint"
              onClick={() => {
                onOpen();
                void go(`/guide/${h.page.slug}`);
              }}
            >
              <span className="block text-xs text-soft">{h.page.title}</span>
              {h.line}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
