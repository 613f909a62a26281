export function Facts({ facts }: { facts: [string, string][] }) {
  return (
    <dl className="mt-1 grid grid-cols-[92px_1fr] gap-y-1">
      {facts.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd className="figure">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
