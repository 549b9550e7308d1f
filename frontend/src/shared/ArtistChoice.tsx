// Whose eye it is: names without accounts. One artist draws in a browser until another is chosen.
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button } from "antd";
import { useState } from "react";
import { ApiError, api } from "../api/client";
import { queries } from "../api/queries";
import styles from "./ArtistChoice.module.css";
import { chooseArtist, useArtist } from "./useArtist";

const ANOTHER = " ";

export function ArtistChoice() {
  const known = useQuery(queries.artists());
  const chosen = useArtist();
  const artists = known.data?.artists ?? [];
  const artist = chosen ?? artists[0]?.id ?? "me";
  const client = useQueryClient();
  const [naming, setNaming] = useState<string | null | undefined>(undefined);
  const [name, setName] = useState("");
  const give = useMutation({
    mutationFn: () => api.nameArtist(name, naming ?? null),
    onSuccess: (made) => {
      chooseArtist(made.id);
      setNaming(undefined);
      setName("");
      client.invalidateQueries({ queryKey: ["practice"] });
      client.invalidateQueries({ queryKey: ["artists"] });
    },
  });
  const own = artists.find((each) => each.id === artist);
  if (naming !== undefined) {
    return (
      <form
        className={styles.naming}
        onSubmit={(event) => {
          event.preventDefault();
          give.mutate();
        }}
      >
        <input
          className="field"
          // biome-ignore lint/a11y/noAutofocus: it stands there because a name was asked for
          autoFocus
          aria-label="Name of the artist"
          placeholder="Name"
          value={name}
          maxLength={80}
          aria-invalid={give.error !== null}
          onChange={(event) => setName(event.target.value)}
        />
        <Button htmlType="submit" type="primary" loading={give.isPending}>
          Keep
        </Button>
        <Button type="text" onClick={() => setNaming(undefined)}>
          Leave it
        </Button>
        {give.error && (
          <p role="alert">
            {give.error instanceof ApiError ? give.error.sentence : give.error.message}
          </p>
        )}
      </form>
    );
  }
  return (
    <div className={styles.choice}>
      <label>
        <span>Who draws</span>
        <select
          value={artist}
          onChange={(event) => {
            if (event.target.value === ANOTHER) {
              setNaming(null);
            } else {
              chooseArtist(event.target.value);
            }
          }}
        >
          {artists.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name || "You"}
            </option>
          ))}
          <option value={ANOTHER}>Somebody else…</option>
        </select>
      </label>
      {own && !own.name && (
        <Button type="text" onClick={() => setNaming(own.id)}>
          Give a name
        </Button>
      )}
    </div>
  );
}
