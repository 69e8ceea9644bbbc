// @ts-nocheck
import { startServer } from "../e2e/server";
import { chromium } from "@playwright/test";
const server = await startServer(process.env.F);
const browser = await chromium.launch({executablePath:"/usr/bin/chromium-headless-shell",args:["--no-sandbox","--use-gl=angle","--use-angle=swiftshader","--enable-unsafe-swiftshader","--disable-gpu-compositing","--disable-gpu-rasterization"]});
const page = await browser.newPage({viewport:{width:1280,height:800},reducedMotion:"reduce"});
page.on("console",m=>["error","warning"].includes(m.type())&&console.log(m.text().slice(0,300))); page.on("pageerror",e=>console.log("ERR",e.message));
await page.goto(server.url); await page.waitForSelector("canvas[data-drawn]",{timeout:90000}); await page.waitForFunction(()=>!document.querySelector("[inert]"));
const go=async(n)=>page.getByRole("navigation",{name:"Steps"}).getByRole("button",{name:new RegExp(n)}).click();
await go("Check"); await page.getByRole("radio",{name:"Warm and cool"}).click(); await page.waitForTimeout(800); await page.screenshot({path:"/tmp/l1.png"});
await page.getByRole("button",{name:/^Shift Brick in the sun/}).click(); await page.waitForTimeout(800);
await page.getByRole("button",{name:/^Look at/}).first().click(); await page.waitForTimeout(1200); await page.screenshot({path:"/tmp/l2.png"});
await page.getByRole("button",{name:"All areas"}).click();
await page.getByRole("radio",{name:"Warm and cool"}).click(); await page.screenshot({path:"/tmp/l1.png"}); await page.getByRole("button",{name:/^Shift Brick in the sun/}).click();
for(let i=0;i<3;i++){ await page.getByRole("radio",{name:"quieter"}).click(); await page.getByRole("list",{name:/Ways to make it quieter/}).getByRole("button",{name:/^Use/}).first().click(); await page.waitForTimeout(500);} 
await page.getByRole("button",{name:"All areas"}).click();
await page.getByRole("radio",{name:"Mud"}).click(); await page.waitForTimeout(800); await page.screenshot({path:"/tmp/l3.png"});
await page.getByRole("radio",{name:"Warm and cool"}).click(); await page.getByRole("button",{name:/^Shift Brick in shade/}).click(); await page.waitForTimeout(800); await page.screenshot({path:"/tmp/l2.png"});
await page.getByRole("button",{name:"All areas"}).click();
const t=await page.evaluate(()=>new Promise(r=>{const s=performance.now(); document.querySelectorAll("[role=radio]")[1].click(); requestAnimationFrame(()=>requestAnimationFrame(()=>r(performance.now()-s)));})); console.log("switch ms",t);
const t2=await page.evaluate(()=>new Promise(r=>{const s=performance.now(); document.querySelectorAll("[role=radio]")[2].click(); requestAnimationFrame(()=>requestAnimationFrame(()=>r(performance.now()-s)));})); console.log("mud ms",t2);
await browser.close(); await server.stop("SIGTERM"); process.exit(0);
