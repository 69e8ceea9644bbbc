// @ts-nocheck
import { startServer } from "../e2e/server";
import { chromium } from "@playwright/test";
const server = await startServer(process.env.F);
const browser = await chromium.launch({executablePath:"/usr/bin/chromium-headless-shell",args:["--no-sandbox","--use-gl=angle","--use-angle=swiftshader","--enable-unsafe-swiftshader","--disable-gpu-compositing","--disable-gpu-rasterization"]});
const page = await browser.newPage({viewport:{width:1280,height:800},reducedMotion:"reduce"});
page.on("console",m=>["error"].includes(m.type())&&console.log(m.text().slice(0,300))); page.on("pageerror",e=>console.log("ERR",e.message));
await page.goto(server.url); await page.waitForSelector("canvas[data-drawn]",{timeout:90000}); await page.waitForFunction(()=>!document.querySelector("[inert]"));
const go=async(n)=>page.getByRole("navigation",{name:"Steps"}).getByRole("button",{name:new RegExp(n)}).click();
await go("Check"); await page.getByRole("radio",{name:"Warm and cool",exact:true}).click(); await page.getByRole("radio",{name:"Planned"}).click(); await page.waitForTimeout(1500); await page.screenshot({path:"/tmp/l1.png"});
await page.getByRole("button",{name:/^Shift Canal/}).click(); await page.getByRole("button",{name:/Not decided yet/}).click(); await page.waitForTimeout(600); await page.getByRole("button",{name:/Not decided yet/}).scrollIntoViewIfNeeded(); await page.mouse.move(1060,400); await page.mouse.wheel(0,400); await page.waitForTimeout(500);
await page.getByRole("list",{name:"Grounds for the subject"}).getByRole("button",{name:/^Look at/}).first().click(); await page.waitForTimeout(800); await page.screenshot({path:"/tmp/l2.png"});
await page.getByRole("button",{name:"All areas"}).click(); await page.getByRole("radio",{name:"Darks"}).click(); await page.getByRole("list",{name:"Darks"}).getByRole("button").first().click(); await page.getByRole("button",{name:/too light/}).click(); await page.getByLabel("It came out at value").fill("3.6"); await page.waitForTimeout(400); await page.getByRole("region",{name:"Too light"}).evaluate(e=>e.scrollIntoView()); await page.waitForTimeout(400); await page.screenshot({path:"/tmp/l3.png"});
await browser.close(); await server.stop("SIGTERM"); process.exit(0);
