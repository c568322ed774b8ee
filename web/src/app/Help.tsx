/** The keys, as a list. */
import { Box, Dialog, DialogContent, DialogTitle } from "@mui/material";
import { Scroller } from "../ui/Scroller.tsx";
import { SHORTCUTS } from "./shortcuts.ts";

export default function Help({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="help-title">
      <DialogTitle id="help-title">Keys</DialogTitle>
      <Scroller component={DialogContent} label="The keys">
        <Box
          component="dl"
          sx={{ m: 0, display: "grid", gridTemplateColumns: "max-content 1fr", columnGap: 3, rowGap: 1 }}
        >
          {SHORTCUTS.map((s) => (
            <Box key={s.keys} sx={{ display: "contents" }}>
              <Box component="dt" sx={{ fontWeight: 700, whiteSpace: "pre" }}>
                {s.keys}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {s.does}
              </Box>
            </Box>
          ))}
        </Box>
      </Scroller>
    </Dialog>
  );
}
