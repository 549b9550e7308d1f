// Taking a picture in: chosen from the device, sent with its progress shown, prepared, kept.
import { Button } from "antd";
import { useRef, useState } from "react";
import { ApiError, api } from "../../api/client";
import type { PictureTaken } from "../../api/types";
import styles from "./Picture.module.css";

type Props = { label: string; primary?: boolean; onTaken: (picture: PictureTaken) => void };

export function PictureUpload({ label, primary, onTaken }: Props) {
  const picker = useRef<HTMLInputElement>(null);
  const [share, setShare] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const send = async (file: File) => {
    setTrouble(null);
    setShare(0);
    try {
      onTaken(await api.takePicture(file, setShare));
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.sentence : String(error));
    } finally {
      setShare(null);
    }
  };
  return (
    <span className={styles.upload}>
      <Button
        size="large"
        type={primary ? "primary" : "default"}
        loading={share !== null}
        onClick={() => picker.current?.click()}
      >
        {share === null
          ? label
          : share < 1
            ? `Sending ${Math.round(share * 100)} %`
            : "Preparing it…"}
      </Button>
      <input
        ref={picker}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        className="visually-hidden"
        aria-label="Picture"
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) {
            send(file);
          }
        }}
      />
      {trouble && (
        <span role="alert" className={styles.bad}>
          {trouble}
        </span>
      )}
    </span>
  );
}
