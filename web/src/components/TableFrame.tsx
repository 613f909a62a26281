/** Widths of a table's columns, and names that are read aloud where the eye needs none. */
export function TableFrame({ widths, names }: { widths: string[]; names: string[] }) {
  return (
    <>
      <colgroup>
        {widths.map((width, index) => (
          <col key={index} className={width} />
        ))}
      </colgroup>
      <thead className="sr-only">
        <tr>
          {names.map((name) => (
            <th key={name} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
    </>
  );
}
