// The bench: the picture, the pad under it, the prompter beside it; or, hands full, one prompt.
import { useQuery } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { api } from "../../api/client";
import { queries } from "../../api/queries";
import type { Bench, PadKinds } from "../../api/types";
import { DepthOnSheet } from "../../shared/DepthOnSheet";
import { download } from "../../shared/download";
import { HeadOnSheet } from "../../shared/HeadOnSheet";
import { ShortcutHelp } from "../../shared/ShortcutHelp";
import { StaleDialog } from "../../shared/StaleDialog";
import { StudyHeader } from "../../shared/StudyHeader";
import { useShortcuts } from "../../shared/useShortcuts";
import type { StudyHandle } from "../../shared/useStudy";
import styles from "./BenchRoom.module.css";
import { benchKey, benchShortcuts } from "./benchKeys";
import { Looking } from "./Looking";
import { NewDoubts } from "./NewDoubts";
import { PromptLine } from "./PromptLine";
import { Pad } from "./pad";
import { BenchPicture } from "./picture";
import { EaselPrompt } from "./prompter";
import { SidePane } from "./SidePane";
import { SubjectTools } from "./SubjectTools";
import { StickOverlay } from "./stick";
import { type Room, useBenchRoom } from "./useBenchRoom";

type Props = { study: StudyHandle; bench: Bench };

export function BenchRoom({ study, bench }: Props) {
  const pad = useQuery(queries.pad());
  if (pad.error) {
    return <p role="alert">{pad.error.message}</p>;
  }
  return pad.data ? (
    <Furnished key={bench.id} study={study} bench={bench} kinds={allowed(pad.data, bench)} />
  ) : null;
}

/** The pad with those kinds alone that a lesson allows, where it does not allow all. */
function allowed(pad: PadKinds, bench: Bench): PadKinds {
  const only = bench.task?.kinds ?? [];
  return only.length === 0
    ? pad
    : { ...pad, kinds: pad.kinds.filter((each) => only.includes(each.kind)) };
}

function Furnished({ study, bench, kinds }: Props & { kinds: PadKinds }) {
  const room = useBenchRoom(study, bench, kinds);
  const [help, setHelp] = useState(false);
  useShortcuts((event) => benchKey(room, event, () => setHelp(true)));
  const { pad, message, keep } = room;
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: only lets go of what a pointer has pressed
    <main
      className={room.easel ? styles.easel : styles.bench}
      data-easel={room.easel}
      data-wide={room.wide}
      data-in-hand={room.stick.inHand}
      data-version={bench.version}
      data-busy={study.busy}
      onClick={letGo}
    >
      {room.easel ? (
        <EaselPrompt
          bench={bench}
          next={room.next}
          onLeave={room.toEasel}
          onUndo={room.back}
          make={room.tell}
        >
          <RoomPicture room={room}>
            {room.looking.view.zoom > 1 && <Looking room={room} />}
          </RoomPicture>
        </EaselPrompt>
      ) : (
        <AtTheBench room={room} />
      )}
      <Pad
        bench={bench}
        pad={pad}
        asked={room.next.prompt ? [room.next.prompt.start, room.next.prompt.end] : []}
        message={message}
        busy={study.busy}
        onKeep={keep}
        eye={room.own}
        onKeepSeen={room.keepSeen}
      />
      <NewDoubts bench={bench} />
      <ShortcutHelp open={help} onClose={() => setHelp(false)} shortcuts={benchShortcuts(kinds)} />
      <StaleDialog study={study} />
    </main>
  );
}

function AtTheBench({ room }: { room: Room }) {
  const { study, bench } = room;
  return (
    <>
      <StudyHeader study={study} bench={bench} stage="bench" onUndo={room.back} onRedo={room.again}>
        <Button onClick={room.toEasel}>Easel</Button>
        <Button onClick={() => download(api.fileAddress(bench.id))}>Save as file</Button>
      </StudyHeader>
      <RoomPicture room={room}>
        <SubjectTools room={room} />
        <Looking room={room} />
      </RoomPicture>
      {room.wide ? <PromptLine room={room} /> : <SidePane room={room} />}
    </>
  );
}

/** Subject and sheet as the room has them: what is chosen, pointed at, promised, revealed. */
function RoomPicture({ room, children }: { room: Room; children?: React.ReactNode }) {
  const { bench, pad, stick, side } = room;
  const onNext = side === "Next";
  const depth = useQuery({ ...queries.perspective(bench), enabled: side === "Depth" });
  const heads = useQuery({ ...queries.heads(bench), enabled: side === "Depth" });
  return (
    <BenchPicture
      bench={bench}
      chosen={room.picking?.chosen ?? pad.chosen}
      // The eye speaks first: no stick lies along the edge before it has.
      kind={pad.looksFirst ? "" : pad.state.kind}
      pointed={room.pointed}
      promise={onNext ? room.promise : null}
      relation={onNext ? room.relations.shown : undefined}
      reveal={room.revealed ? room.truth.data : undefined}
      overlay={
        stick.inHand
          ? (picture, height) => (
              <StickOverlay
                stick={stick}
                scale={picture.layout.subject}
                right={picture.layout.divide}
                bottom={height}
                name={(each) => bench.landmarks.find((one) => one.id === each)?.name ?? each}
              />
            )
          : undefined
      }
      overSheet={
        side === "Depth"
          ? ({ layout: { sheet } }) => (
              <>
                {depth.data && (
                  <DepthOnSheet
                    room={depth.data}
                    toScreen={(at) => sheet.toScreen(at)}
                    left={sheet.left}
                    right={sheet.left + bench.sheet.width_mm * sheet.perMm}
                  />
                )}
                {heads.data && (
                  <HeadOnSheet
                    room={heads.data}
                    toScreen={(at) => sheet.toScreen(at)}
                    perMm={sheet.perMm}
                  />
                )}
              </>
            )
          : undefined
      }
      onChoose={room.picking?.choose ?? pad.choose}
      onEdge={room.picking?.edge}
      box={room.box}
      looking={room.looking}
      allNames={room.allNames}
      onPlace={room.placing ? room.place : null}
      foot={stick.inHand && !room.easel}
    >
      {children}
    </BenchPicture>
  );
}

/** After a tap, keys belong to the pad again and not to the button that was tapped. */
function letGo(event: React.MouseEvent): void {
  const held = document.activeElement;
  if (
    event.detail > 0 &&
    held instanceof HTMLElement &&
    held.matches("button, input[type=radio]")
  ) {
    held.blur();
  }
}
