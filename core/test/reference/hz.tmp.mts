import { addDays, date } from "@wren/core";
import { answerOf, caseOf } from "./cases.ts";
const L:any={"ask-a-pro":"P",never:"N",wait:"W","too-late":"L","costs-flowers":"C","no-need":"O",fine:"F",best:"B"};
const [town,event,...ks]=process.argv.slice(2); const E=event!;
for(const kt of ks){const [k,task]=kt.split(":");
 for(const c of [`hazard=bird-nest@${E}`,`hazard=insect-nest@${E}`,`hazard=over-road@${E}`,`hazard=protected@${E}`,`hazard=dead-over-path@${E}`,`hazard=broken-limb@${E}`,`hazard=hung-limb@${E}`,"form=trunk","form=standard","form=weeping","form=trained","form=clipped","form=pollard","wish=renew","wish=smaller:1.5","wish=natural","wish=no-suckers","wish=large-flowers","wish=many-flowers","wish=keep-heads","wish=coloured-stems","wish=view","wish=tidy","wish=let-go","wish=leave","scratch=brown","found=none","stem=70","stem=110","wire=2","wire=4","stance=split","stance=leaning",`planted=unknown`,""]){
  let s="";try{for(let i=0;i<370;i+=10){s+=L[answerOf(caseOf(`${town} | ${k} | ${addDays(date(E),i)} | ${task} | ${c} | B | `)).verdict];}}catch(e:any){s="ERR "+e.message.slice(0,60)}
  console.log(k!.padEnd(22),task!.padEnd(13),c.padEnd(30),s);}}
