import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { api, unwrap, type ComponentFacts } from "../api/client.ts";
import { Photos } from "../photos/Photos.tsx";
import { sizeOf } from "../shop/size.ts";
import { useHeld } from "../shop/catalogue.ts";
import { Moved } from "../shop/Moved.tsx";
import { Length } from "../ui/UnitContext.tsx";
import type { Maker } from "./useMaker.ts";

const FACES = { any: "has no face", front: "forward", side: "to the side" };

/** MakerFacts are what a component comes to: its pin, what a strand meets of it, its checks and where it is used. */
export function MakerFacts({ maker }: { maker: Maker }) {
  const { facts, faults } = maker;
  if (!facts) return <aside className="maker-facts" aria-label="Figures" />;
  return (
    <aside className="maker-facts" aria-label="Figures" aria-busy={faults.size > 0}>
      {faults.size > 0 && <p className="quiet">The figures are of the last one that could be made.</p>}
      {facts.pin && <PinFacts facts={facts} pin={facts.pin} loopMm={maker.component.loopMm ?? 0} />}
      {maker.component.kind !== "turn" && <OnStrand facts={facts} kind={maker.component.kind} />}
      <h2>{maker.component.kind === "turn" ? "To buy for one round" : "To buy for one"}</h2>
      <dl>
        <Bought facts={facts} maker={maker} />
      </dl>
      <h2>Checks</h2>
      {facts.checks.length === 0 ? (
        <p className="right">✓ No problems found</p>
      ) : (
        facts.checks.map((c) => (
          <div key={c.code} className={`check ${c.severity}`}>
            <b>
              {c.severity === "stop" ? "■" : c.severity === "warn" ? "▲" : "●"} {c.title}
            </b>
            <p>{c.says}</p>
          </div>
        ))
      )}
      {maker.item.revision > 0 && <Photos of="material" id={maker.item.material.id} name={maker.item.material.name} />}
      {maker.item.revision > 0 && <UsedIn maker={maker} />}
    </aside>
  );
}

/** OnStrand is what a strand meets of the component. */
function OnStrand({ facts, kind }: { facts: ComponentFacts; kind: string }) {
  return (
    <section aria-label="On the strand">
      <h2>On the strand</h2>
      <dl>
        <Fact name="takes along the cord">{fine(facts.takesMm)}</Fact>
        <Fact name={facts.hangs ? "hangs below it" : kind === "carrier" ? "reaches below it" : facts.dropMm > 0 ? "beads stand off" : "across"}>
          <Length mm={facts.dropMm > 0 ? facts.dropMm : facts.widthMm} />
        </Fact>
        {facts.dropMm > 0 && (
          <Fact name="widest">
            <Length mm={facts.widthMm} />
          </Fact>
        )}
        <Fact name="weight">{facts.massG > 0 ? `${facts.massG.toFixed(2)} g` : "not weighed"}</Fact>
        {facts.hangs && <Fact name="faces">{FACES[facts.faces]}</Fact>}
        {!facts.hangs && (
          <Fact name="hole for the cord">{fine(facts.holeMm)}</Fact>
        )}
        {(facts.spreadOver ?? 0) > 1 && <Fact name="spread round the cord">{`every ${facts.spreadOver} coils`}</Fact>}
      </dl>
    </section>
  );
}

/** fine writes a size that sixteenths of an inch cannot show: in millimetres, as materials are sized. */
const fine = (mm: number) => `${Math.round(mm * 100) / 100} mm`;

/** Bought lists what is bought for one, each with its size. */
function Bought({ facts, maker }: { facts: ComponentFacts; maker: Maker }) {
  const shop = useHeld(facts.bought.map((part) => part.material));
  return facts.bought.map((part) => {
    const whole = shop.get(part.material)?.material ?? maker.parts.get(part.material)?.material;
    const name = whole?.name ?? facts.outline.looks?.find((l) => l.material.id === part.material)?.material.name ?? part.material;
    return (
      <Fact
        key={part.material}
        name={
          <>
            {name} {whole && !whole.component && <span className="size">{sizeOf(whole)}</span>}
          </>
        }
      >
        {part.cutMm ? <Length mm={part.cutMm} /> : part.count}
      </Fact>
    );
  });
}

function Fact({ name, children }: { name: ReactNode; children: ReactNode }) {
  return (
    <div className="fact">
      <dt>{name}</dt>
      <dd>{children}</dd>
    </div>
  );
}

function PinFacts({ facts, pin, loopMm }: { facts: ComponentFacts; pin: NonNullable<ComponentFacts["pin"]>; loopMm: number }) {
  const coil = (pin.turns ?? 0) > 0;
  return (
    <section aria-label="Pin">
      <h2>Pin</h2>
      <dl>
        <Fact name="beads on it">
          <Length mm={pin.stackMm} />
        </Fact>
        {coil ? (
          <>
            <Fact name="turns">{pin.turns!.toFixed(1)}</Fact>
            <Fact name="coil along the cord">
              <Length mm={pin.coiledMm ?? 0} />
            </Fact>
          </>
        ) : (
          <>
            <Fact name={`loop, ${loopMm} mm inside`}>
              <Length mm={pin.loopMm} />
            </Fact>
            <Fact name="needed">
              <b className={pin.cutOffMm < 0 ? "wrong" : undefined}>
                <Length mm={pin.neededMm} /> of <Length mm={pin.heldMm} />
              </b>
            </Fact>
          </>
        )}
      </dl>
      {!coil && (
        <p className="quiet">
          {pin.cutOffMm >= 0 ? (
            <>
              <Length mm={pin.cutOffMm} /> is cut off.
            </>
          ) : (
            <>
              It is <Length mm={-pin.cutOffMm} /> short.
            </>
          )}{" "}
          With a fixed <Length mm={pin.fixedMm} /> for the loop: <Length mm={pin.stackMm + pin.fixedMm} />.
        </p>
      )}
      {coil && !facts.hangs && <p className="quiet">The whole pin of <Length mm={pin.heldMm} /> is used.</p>}
    </section>
  );
}

/** UsedIn lists the pieces that hold this component, and where their length would move if they took it as it is now. */
function UsedIn({ maker }: { maker: Maker }) {
  const body = JSON.stringify(maker.material);
  const used = useQuery({
    queryKey: ["effect", body],
    queryFn: () => unwrap(api.POST("/api/materials/effect", { body: JSON.parse(body) as Maker["material"] })),
    enabled: maker.faults.size === 0, retry: false, placeholderData: (old) => old,
  });
  if (!used.data) return null;
  const moved = used.data.some((p) => p.afterMm !== p.beforeMm);
  return (
    <section aria-label="Used in">
      <h2>Used in</h2>
      {used.data.length === 0 && <p className="quiet">No pieces yet.</p>}
      <dl>
        {used.data.map((p) => (
          <Fact key={p.id} name={p.name}>
            <Moved beforeMm={p.beforeMm} afterMm={p.afterMm} />
          </Fact>
        ))}
      </dl>
      {moved && <p className="quiet">Pieces keep the component they hold until you choose the new one in each piece.</p>}
    </section>
  );
}
