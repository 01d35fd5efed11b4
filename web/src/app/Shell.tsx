import { useEffect, useState } from "react";
import { Link, NavLink, Outlet } from "react-router";
import { useHouse } from "../shop/useHouse.ts";
import { useUnit } from "../ui/UnitContext.tsx";
import { DishIcon, HouseIcon, KitIcon, StrandIcon } from "../ui/icons.tsx";
import { usePageKeys } from "../piece/usePageKeys.ts";
import { KeyList } from "./KeyList.tsx";

/** Shell is what every view stands in: the rail, the unit switch, and the list of keys. */
export function Shell() {
  const { unit, choose, follow } = useUnit();
  const houseUnit = useHouse().data?.whole.unit;
  const [keysShown, setKeysShown] = useState(false);

  useEffect(() => {
    if (houseUnit === "mm" || houseUnit === "in") follow(houseUnit);
  }, [houseUnit, follow]);

  usePageKeys((action) => {
    if (action === "help") setKeysShown(true);
    return action === "help";
  });

  return (
    <div className="shell">
      <nav className="rail" aria-label="Rooms">
        <Link to="/pieces" className="mark">
          mala
        </Link>
        <NavLink to="/pieces" className="entry">
          <StrandIcon />
          Pieces
        </NavLink>
        <NavLink to="/kits" className="entry">
          <KitIcon />
          Kits
        </NavLink>
        <NavLink to="/materials" className="entry">
          <DishIcon />
          Materials
        </NavLink>
        <NavLink to="/house" className="entry">
          <HouseIcon />
          House method
        </NavLink>
        <div className="foot">
          <div className="units" role="group" aria-label="Unit of length">
            <button type="button" aria-pressed={unit === "mm"} onClick={() => choose("mm")}>
              mm
            </button>
            <button type="button" aria-pressed={unit === "in"} onClick={() => choose("in")}>
              in
            </button>
          </div>
          <button type="button" onClick={() => setKeysShown(true)} aria-label="All keys" title="All keys (?)">
            ? keys
          </button>
        </div>
      </nav>
      <Outlet />
      <KeyList open={keysShown} onClose={() => setKeysShown(false)} />
    </div>
  );
}
