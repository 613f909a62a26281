import type { Difference, Item } from "../api/types";
import { Button } from "../components/Button";
import { figure, percent } from "../lib/format";
import { EvidencePlot } from "./EvidencePlot";
import { about, places, sentence } from "./words";

interface DifferenceCardProps {
  difference: Difference;
  /** Items of the checklist that it keeps from being reached. */
  items: Item[];
  onBack: () => void;
  onHear: () => void;
}

/** One difference: both values, how far they are apart, how sure that is, and how to get closer. */
export function DifferenceCard({ difference, items, onBack, onHear }: DifferenceCardProps) {
  return (
    <>
      <div className="min-h-0 grow overflow-auto px-4 pt-3 pb-4 scroll-quiet">
        <p className="text-12 text-ink-2">
          {about(difference)}, {difference.bars.length > 0 && "bars "}
          <span className="figure">{places(difference.bars)}</span>
        </p>
        <h2 className="mt-1 font-serif text-18 leading-snug">{sentence(difference)}</h2>
        <dl className="mt-3 grid grid-cols-2 border-y border-rule">
          <Value
            name="reference"
            value={difference.reference ?? "–"}
            className="border-r border-rule pr-3 text-measured"
          />
          <Value name="yours" value={difference.attempt ?? "–"} className="pl-3 text-mine" />
        </dl>
        <Distance difference={difference} />
        {difference.evidence && <EvidencePlot plot={difference.evidence} />}
        <h3 className="mt-4 text-13 font-medium">To get closer</h3>
        <ol className="mt-1 list-decimal pl-5 text-13">
          {difference.how.map((step) => (
            <li key={step} className="py-0.5">
              {step}
            </li>
          ))}
        </ol>
        {difference.under.length > 0 && (
          <>
            <h3 className="mt-4 text-13 font-medium">What follows from it</h3>
            <ul className="mt-1 font-serif text-15">
              {difference.under.map((under) => (
                <li key={under.words}>{sentence(under)}</li>
              ))}
            </ul>
          </>
        )}
        {items.length > 0 && (
          <>
            <h3 className="mt-4 text-13 font-medium">Items that it keeps open</h3>
            <ul className="mt-1">
              {items.map((item) => (
                <li key={item.id} className="flex gap-2 py-0.5 text-13">
                  <span className="figure text-ink-2">{item.number}</span> {item.title}
                </li>
              ))}
            </ul>
          </>
        )}
      </div>
      <div className="flex gap-2 border-t border-rule bg-paper px-4 py-2">
        <Button look="solid" onClick={onHear}>
          Hear both, here
        </Button>
        <Button onClick={onBack}>Back to the list</Button>
      </div>
    </>
  );
}

function Value({ name, value, className }: { name: string; value: string; className: string }) {
  return (
    <div className={`py-2 ${className}`}>
      <dt className="text-12">{name}</dt>
      <dd className="font-mono text-13 text-ink">{value}</dd>
    </div>
  );
}

const WIDTH = 260;
const MOST = 5;

/** The tolerance as a grey band, and how far the attempt is from its middle. */
function Distance({ difference }: { difference: Difference }) {
  const x = (Math.min(MOST, difference.size) / MOST) * (WIDTH - 8);
  return (
    <figure className="mt-3">
      <svg
        role="img"
        aria-label={`${figure(difference.size, 1)}× tolerance`}
        width={WIDTH}
        height="26"
        className="block max-w-full"
      >
        <rect
          x="0"
          y="4"
          width={(WIDTH - 8) / MOST}
          height="12"
          fill="var(--wash)"
          stroke="var(--rule-firm)"
          strokeWidth="0.6"
        />
        <path d={`M0 10H${WIDTH - 8}`} stroke="var(--rule-firm)" strokeWidth="0.8" />
        <path d={`M0 2V18`} stroke="var(--measured)" strokeWidth="2" />
        <path d={`M${x} 1V19`} stroke="var(--mine)" strokeWidth="3" />
      </svg>
      <figcaption className="text-12 text-ink-2">
        <span className="figure">{figure(difference.size, 1)}</span> × the tolerance
        {difference.unit && (
          <>
            {" "}
            of <span className="figure">{figure(difference.tolerance, 1)}</span> {difference.unit}
          </>
        )}
        ; {difference.closeness}; sure to <span className="figure">{percent(difference.sure)}</span>
      </figcaption>
    </figure>
  );
}
