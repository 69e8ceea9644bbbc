import type { Metadata } from "next";
import { redirect } from "next/navigation";
import { SignIn } from "@/rooms/sign-in/sign-in";
import { isStudio, presentPainter } from "@/server/context/house";

export const metadata: Metadata = { title: "Sign in" };

/** The way into one's space on a server. */
export default async function SignInPage() {
  if (!isStudio() || (await presentPainter())) redirect("/");
  return <SignIn />;
}
