import type { Schemas } from "../api/client";
import { lengthWithUnit, useUnit } from "../units/units";

/** PairApart has both socks beside each other where they differ, and says what differs. */
export function PairApart({ apart }: { apart: Schemas["ReplanApart"] }) {
  const unit = useUnit();
  const long = (apart.long_mm ?? []).map((mm) => lengthWithUnit(mm, unit));
  return (
    <>
      <p>{apart.text}</p>
      <table className="figures">
        <thead>
          <tr>
            <th scope="col" aria-label="count" />
            <th scope="col">first</th>
            <th scope="col">second</th>
          </tr>
        </thead>
        <tbody>
          {apart.counts.map((count) => (
            <tr key={count.label}>
              <th scope="row">{count.label}</th>
              <td>{count.was}</td>
              <td>{count.now}</td>
            </tr>
          ))}
          {long[0] !== long[1] && (
            <tr>
              <th scope="row">finished length</th>
              <td>{long[0]}</td>
              <td>{long[1]}</td>
            </tr>
          )}
        </tbody>
      </table>
    </>
  );
}
