/** Column names over a list; those in brackets are told to assistive technology alone. */
export function TableHead({ columns }: { columns: string[] }) {
  return (
    <thead className="text-ink-2">
      <tr className="border-b border-rule">
        {columns.map((name) => (
          <th key={name} scope="col" className="h-8 pr-4 font-normal">
            {name.startsWith("(") ? <span className="sr-only">{name.slice(1, -1)}</span> : name}
          </th>
        ))}
      </tr>
    </thead>
  );
}
