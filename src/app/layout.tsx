import "@fontsource-variable/alegreya/wght.css";
import "@fontsource-variable/alegreya/wght-italic.css";
import "@fontsource-variable/source-sans-3/wght.css";
import "./globals.css";
import type { Metadata } from "next";
import { cookies } from "next/headers";
import type { ReactNode } from "react";
import { presentSchema } from "@/server/context/house";
import { APP_NAME } from "@/ui/app-name";
import { LostFocus } from "@/ui/lost-focus";
import { themeName } from "@/ui/theme";

export const metadata: Metadata = {
  title: { default: APP_NAME, template: `%s · ${APP_NAME}` },
  description: "Plans a watercolour from one photo and the paints you own.",
};

export const dynamic = "force-dynamic";

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = themeName.safeParse((await cookies()).get("theme")?.value);
  // What the browser keeps is kept for each space by itself.
  const space = await presentSchema();
  return (
    <html lang="en" data-theme={theme.data} data-space={space ?? undefined}>
      <body>
        {children}
        <LostFocus />
      </body>
    </html>
  );
}
