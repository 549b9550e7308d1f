// Taking a picture in: chosen from the device, sent with its progress shown, prepared, kept.
import { useState } from "react";
import { ApiError, api } from "../api/client";
import type { PictureTaken } from "../api/types";
import { FilePicker } from "./FilePicker";
import styles from "./PictureUpload.module.css";

type Props = { label: string; primary?: boolean; onTaken: (picture: PictureTaken) => void };

export function PictureUpload({ label, primary, onTaken }: Props) {
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
      <FilePicker
        size="large"
        type={primary ? "primary" : "default"}
        loading={share !== null}
        name="Picture"
        accept="image/png,image/jpeg,image/webp"
        onFile={send}
      >
        {share === null
          ? label
          : share < 1
            ? `Sending ${Math.round(share * 100)} %`
            : "Preparing it…"}
      </FilePicker>
      {trouble && (
        <span role="alert" className={styles.bad}>
          {trouble}
        </span>
      )}
    </span>
  );
}
