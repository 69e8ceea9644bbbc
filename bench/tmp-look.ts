// @ts-nocheck
import { startServer } from "../e2e/server";
import { chromium } from "@playwright/test";
const server = await startServer(process.env.F);
const browser = await chromium.launch({executablePath:"/usr/bin/chromium-headless-shell",args:["--no-sandbox","--use-gl=angle","--use-angle=swiftshader","--enable-unsafe-swiftshader","--disable-gpu-compositing","--disable-gpu-rasterization"]});
const page = await browser.newPage({viewport:{width:1280,height:800},reducedMotion:"reduce"});
page.on("console",m=>["error"].includes(m.type())&&console.log(m.text().slice(0,300))); page.on("pageerror",e=>console.log("ERR",e.message));
await page.goto(server.url); await page.waitForSelector("canvas[data-drawn]",{timeout:90000}); await page.waitForFunction(()=>!document.querySelector("[inert]"));
const go=async(n)=>page.getByRole("navigation",{name:"Steps"}).getByRole("button",{name:new RegExp(n)}).click();
await go("Palette"); await page.getByRole("radio",{name:"In water"}).click(); await page.waitForTimeout(1500);
await page.getByRole("table",{name:"Which paints agree"}).scrollIntoViewIfNeeded(); await page.getByRole("button",{name:/^Ultramarine and Burnt sienna/}).click(); await page.waitForTimeout(500); await page.screenshot({path:"/tmp/l1.png"});
await go("Mixes"); await page.getByRole("button",{name:/^Area 5/}).first().click(); await page.waitForTimeout(2500); 
await page.getByText("Step by step").scrollIntoViewIfNeeded(); await page.screenshot({path:"/tmp/l2.png"});
await page.goto(server.url+"/paintbox"); await page.waitForFunction(()=>!document.querySelector("[inert]")); await page.getByRole("list",{name:"Paints"}).getByRole("button",{name:/Ultramarine/}).first().click(); 
await page.getByRole("button",{name:"Its best friends"}).click(); await page.waitForTimeout(500); await page.getByRole("button",{name:"Its best friends"}).scrollIntoViewIfNeeded(); await page.mouse.wheel(0,300); await page.waitForTimeout(500); await page.screenshot({path:"/tmp/l3.png"});
await browser.close(); await server.stop("SIGTERM"); process.exit(0);
