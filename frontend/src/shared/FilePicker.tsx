// A button that has a file chosen from the device; the same file can be chosen again.
import { Button, type ButtonProps } from "antd";
import { useRef } from "react";

type Props = Omit<ButtonProps, "onClick"> & {
  /** What is asked for, to those who cannot see the button. */
  name: string;
  accept: string;
  onFile: (file: File) => void;
};

export function FilePicker({ name, accept, onFile, ...button }: Props) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button {...button} onClick={() => picker.current?.click()} />
      <input
        ref={picker}
        type="file"
        accept={accept}
        className="visually-hidden"
        aria-label={name}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) {
            onFile(file);
          }
        }}
      />
    </>
  );
}
