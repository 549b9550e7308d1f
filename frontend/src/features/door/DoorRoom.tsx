// The door: the passcode, given once by each device. A scanned code brings it along behind the #.
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, Input } from "antd";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, api } from "../../api/client";
import { queries } from "../../api/queries";
import styles from "./Door.module.css";

/** What stands behind the #: the passcode, and the page one came for. */
function asked(): { code: string; to: string } {
  const text = window.location.hash.slice(1);
  const code = /(?:^|&)code=([^&]*)/.exec(text)?.[1] ?? "";
  const to = /(?:^|&)to=(.*)$/.exec(text)?.[1] ?? "/";
  return { code: decodeURIComponent(code), to: /^\/(?!\/)/.test(to) ? to : "/" };
}

export function DoorRoom() {
  const client = useQueryClient();
  const navigate = useNavigate();
  const [{ code, to }] = useState(asked);
  const [passcode, setPasscode] = useState(code);
  const [name, setName] = useState(kindOfDevice);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const { data: door } = useQuery(queries.door());
  const tried = useRef(false);
  const knock = async (given: string) => {
    setBusy(true);
    try {
      await api.knock(given, name);
      client.clear();
      navigate(to, { replace: true });
    } catch (error) {
      setTrouble(error instanceof ApiError ? error.problem.detail : String(error));
    } finally {
      setBusy(false);
    }
  };
  // The passcode stands in no address bar longer than needed.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page is opened
  useEffect(() => {
    window.history.replaceState(null, "", "/door");
    if (code && !tried.current) {
      tried.current = true;
      knock(code);
    }
  }, []);
  useEffect(() => {
    if (door?.let_in) {
      navigate(to, { replace: true });
    }
  }, [door, navigate, to]);
  return (
    <main className={styles.door}>
      <svg viewBox="0 0 120 150" aria-hidden="true" className={styles.sign}>
        <path d="M22 146V10h76v136M8 146h104" />
        <path d="M22 10 74 24v118L22 146" />
        <path d="M64 80v10" />
        <path className={styles.plumb} d="M98 10v58m-5 0h10l-5 12z" />
      </svg>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          knock(passcode);
        }}
      >
        <h1>Who is there?</h1>
        <p>
          Zirkel runs on another machine here. Its passcode stands where it was started, and on that
          machine under Devices. This device is asked once.
        </p>
        <label>
          <span>Passcode</span>
          <Input
            size="large"
            autoFocus
            inputMode="text"
            autoComplete="off"
            maxLength={100}
            value={passcode}
            onChange={(event) => setPasscode(event.target.value)}
          />
        </label>
        <label>
          <span>What this device is called</span>
          <Input
            size="large"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        {trouble && (
          <p role="alert" className={styles.bad}>
            {trouble}
          </p>
        )}
        <Button
          type="primary"
          size="large"
          htmlType="submit"
          loading={busy}
          disabled={passcode.trim() === ""}
        >
          Come in
        </Button>
      </form>
    </main>
  );
}

function kindOfDevice(): string {
  const narrow = Math.min(window.screen.width, window.screen.height);
  if (navigator.maxTouchPoints > 0) {
    return narrow < 600 ? "Phone" : "Tablet at the easel";
  }
  return "Another computer";
}
