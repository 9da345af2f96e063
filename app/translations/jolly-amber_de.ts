<?xml version="1.0" encoding="utf-8"?>
<!DOCTYPE TS>
<TS version="2.1" language="de" sourcelanguage="en">
	<context>
		<name>app</name>
		<message>
			<source>

Bound to a subject, yet marked as travelling: %1</source>
			<translation>

An einen Gegenstand gebunden und doch als reisend bezeichnet: %1</translation>
		</message>
		<message>
			<source>
Click to see it before and after</source>
			<translation>
Klicken zeigt es vorher und nachher</translation>
		</message>
		<message>
			<source>
Likely %1 % of the difference is the look's, the rest its subject's. All of it is taken when you ask for this row.</source>
			<translation>
Vom Unterschied kommen wohl %1 % vom Look, der Rest vom Gegenstand. Verlangen Sie diese Zeile, wird alles übernommen.</translation>
		</message>
		<message>
			<source>  (no)</source>
			<translation>  (nein)</translation>
		</message>
		<message>
			<source>  this one</source>
			<translation>  dieses</translation>
		</message>
		<message>
			<source> % ink</source>
			<translation> % Auftrag</translation>
		</message>
		<message>
			<source> (a face counts five times)</source>
			<translation> (ein Gesicht zählt fünffach)</translation>
		</message>
		<message>
			<source> (expected %1)</source>
			<translation> (erwartet: %1)</translation>
		</message>
		<message>
			<source> (expected %1, found %2)</source>
			<translation> (erwartet: %1, gefunden: %2)</translation>
		</message>
		<message>
			<source> (found %1)</source>
			<translation> (gefunden: %1)</translation>
		</message>
		<message>
			<source> (lead)</source>
			<translation> (Leitaufnahme)</translation>
		</message>
		<message>
			<source> (taken back)</source>
			<translation> (zurückgenommen)</translation>
		</message>
		<message>
			<source> (wall L* %1)</source>
			<translation> (Wand L* %1)</translation>
		</message>
		<message>
			<source> MP</source>
			<translation> MP</translation>
		</message>
		<message>
			<source> On %1.</source>
			<translation> Auf %1.</translation>
		</message>
		<message>
			<source> Without %1.</source>
			<translation> Ohne %1.</translation>
		</message>
		<message>
			<source> and %1 more</source>
			<translation> und %1 weitere</translation>
		</message>
		<message>
			<source> degrees</source>
			<translation> Grad</translation>
		</message>
		<message>
			<source> h</source>
			<translation> h</translation>
		</message>
		<message>
			<source> in</source>
			<translation> in</translation>
		</message>
		<message>
			<source> in a row</source>
			<translation> in einer Reihe</translation>
		</message>
		<message>
			<source> kB</source>
			<translation> kB</translation>
		</message>
		<message>
			<source> min</source>
			<translation> min</translation>
		</message>
		<message>
			<source> min each</source>
			<translation> min je Stück</translation>
		</message>
		<message>
			<source> mm</source>
			<translation> mm</translation>
		</message>
		<message>
			<source> of %1</source>
			<translation> von %1</translation>
		</message>
		<message>
			<source> ppi</source>
			<translation> ppi</translation>
		</message>
		<message>
			<source> px</source>
			<translation> px</translation>
		</message>
		<message>
			<source> stars or more</source>
			<translation> Sterne oder mehr</translation>
		</message>
		<message>
			<source> stops</source>
			<translation> Blenden</translation>
		</message>
		<message>
			<source> to </source>
			<translation> bis </translation>
		</message>
		<message>
			<source> within %1 kB</source>
			<translation> bis %1 kB</translation>
		</message>
		<message>
			<source> · %1</source>
			<translation> · %1</translation>
		</message>
		<message>
			<source> · %1 %2 %</source>
			<translation> · %1 %2 %</translation>
		</message>
		<message>
			<source> · %1 left</source>
			<translation> · Rest %1</translation>
		</message>
		<message>
			<source> · %1 ppi</source>
			<translation> · %1 ppi</translation>
		</message>
		<message>
			<source> · 100 %</source>
			<translation> · 100 %</translation>
		</message>
		<message>
			<source> · assumed sRGB</source>
			<translation> · angenommen sRGB</translation>
		</message>
		<message>
			<source> · changed since: measure again</source>
			<translation> · seither geändert: noch einmal messen</translation>
		</message>
		<message>
			<source> · guard %1 %</source>
			<translation> · Schutz %1 %</translation>
		</message>
		<message>
			<source> · its reference %1 away</source>
			<translation> · seine Vorlage %1 entfernt</translation>
		</message>
		<message>
			<source> · not %1</source>
			<translation> · nicht %1</translation>
		</message>
		<message>
			<source> · not marked: %1</source>
			<translation> · nicht markiert: %1</translation>
		</message>
		<message>
			<source> · not there</source>
			<translation> · nicht da</translation>
		</message>
		<message>
			<source> · read only</source>
			<translation> · nur lesbar</translation>
		</message>
		<message>
			<source> · reading for 100 %…</source>
			<translation> · wird für 100 % gelesen …</translation>
		</message>
		<message>
			<source> · reads as a cast</source>
			<translation> · liest sich als Farbstich</translation>
		</message>
		<message>
			<source> · ΔE %1</source>
			<translation> · ΔE %1</translation>
		</message>
		<message>
			<source>"size" is no object</source>
			<translation>„size“ ist kein Objekt</translation>
		</message>
		<message>
			<source>#RRGGBB in sRGB, lab L a b, lch L C h, or oklch L C h</source>
			<translation>#RRGGBB in sRGB, lab L a b, lch L C h oder oklch L C h</translation>
		</message>
		<message>
			<source>#RRGGBB, lab L a b, lch L C h, oklch L C h, or stops from mid-grey: +0.5 stops</source>
			<translation>#RRGGBB, lab L a b, lch L C h, oklch L C h oder Blenden vom Mittelgrau: +0.5 stops</translation>
		</message>
		<message>
			<source>% lost</source>
			<translation>% verloren</translation>
		</message>
		<message>
			<source>%1  %2</source>
			<translation>%1  %2</translation>
		</message>
		<message>
			<source>%1  %2 K</source>
			<translation>%1  %2 K</translation>
		</message>
		<message>
			<source>%1  %2 K?</source>
			<translation>%1  %2 K?</translation>
		</message>
		<message>
			<source>%1  %2: %3</source>
			<translation>%1  %2: %3</translation>
		</message>
		<message>
			<source>%1  –</source>
			<translation>%1  –</translation>
		</message>
		<message>
			<source>%1 %</source>
			<translation>%1 %</translation>
		</message>
		<message>
			<source>%1 % ahead</source>
			<translation>%1 % voraus</translation>
		</message>
		<message>
			<source>%1 % of the colour is strong and not in the plan</source>
			<translation>%1 % der Farbe ist kräftig und nicht im Plan</translation>
		</message>
		<message>
			<source>%1 % of the frame has hues that are torn apart or folded</source>
			<translation>%1 % der Aufnahme hat zerrissene oder gefaltete Farbtöne</translation>
		</message>
		<message>
			<source>%1 % of the frame is bare paper</source>
			<translation>%1 % der Aufnahme ist blankes Papier</translation>
		</message>
		<message>
			<source>%1 % of the frame is blocked black</source>
			<translation>%1 % der Aufnahme ist zugelaufenes Schwarz</translation>
		</message>
		<message>
			<source>%1 % of the frame is darks that grew colourful</source>
			<translation>%1 % der Aufnahme sind Tiefen, die bunt wurden</translation>
		</message>
		<message>
			<source>%1 % of the frame lies in another light than the others</source>
			<translation>%1 % der Aufnahme liegt in anderem Licht als die übrigen</translation>
		</message>
		<message>
			<source>%1 % of the frame was brought out of what a screen shows</source>
			<translation>%1 % der Aufnahme wurde über das hinaus gebracht, was ein Bildschirm zeigt</translation>
		</message>
		<message>
			<source>%1 % of the frame was lost at white in its file</source>
			<translation>%1 % der Aufnahme ging in ihrer Datei im Weiß verloren</translation>
		</message>
		<message>
			<source>%1 % of the picture</source>
			<translation>%1 % des Bildes</translation>
		</message>
		<message>
			<source>%1 % of this frame's chroma inside</source>
			<translation>%1 % der Buntheit dieser Aufnahme innerhalb</translation>
		</message>
		<message>
			<source>%1 % outside its colours</source>
			<translation>%1 % außerhalb seiner Farben</translation>
		</message>
		<message>
			<source>%1 % within tolerance</source>
			<translation>%1 % in der Toleranz</translation>
		</message>
		<message>
			<source>%1 %, ΔE %2 → %3</source>
			<translation>%1 %, ΔE %2 → %3</translation>
		</message>
		<message>
			<source>%1 %2</source>
			<translation>%1 %2</translation>
		</message>
		<message>
			<source>%1 %2 %</source>
			<translation>%1 %2 %</translation>
		</message>
		<message>
			<source>%1 %2 → %3</source>
			<translation>%1 %2 → %3</translation>
		</message>
		<message>
			<source>%1 %2: %3 of %4 frames, mostly %5; %6 travels.</source>
			<translation>%1 %2: %3 von %4 Aufnahmen, meist %5; %6 reist.</translation>
		</message>
		<message>
			<source>%1 (%2)</source>
			<translation>%1 (%2)</translation>
		</message>
		<message>
			<source>%1 (limit %2)</source>
			<translation>%1 (Grenze %2)</translation>
		</message>
		<message>
			<source>%1 (not there)</source>
			<translation>%1 (nicht da)</translation>
		</message>
		<message>
			<source>%1 (only read)</source>
			<translation>%1 (nur lesbar)</translation>
		</message>
		<message>
			<source>%1 K, tint %2 from as shot: %3 K (%4)</source>
			<translation>%1 K, Tönung %2 zur Aufnahme (%3 K, %4)</translation>
		</message>
		<message>
			<source>%1 L*</source>
			<translation>%1 L*</translation>
		</message>
		<message>
			<source>%1 Nothing of it can be changed.</source>
			<translation>%1 Nichts daran lässt sich ändern.</translation>
		</message>
		<message>
			<source>%1 accepted</source>
			<translation>%1 hingenommen</translation>
		</message>
		<message>
			<source>%1 added</source>
			<translation>%1 hinzugefügt</translation>
		</message>
		<message>
			<source>%1 added: no room</source>
			<translation>%1 hinzugefügt: kein Platz</translation>
		</message>
		<message>
			<source>%1 and %2 are %3 apart in hue and chroma; before the look %4</source>
			<translation>%1 und %2 liegen in Farbton und Buntheit %3 auseinander; vor dem Look %4</translation>
		</message>
		<message>
			<source>%1 and %2 joined</source>
			<translation>%1 und %2 verbunden</translation>
		</message>
		<message>
			<source>%1 and %2 more</source>
			<translation>%1 und %2 weitere</translation>
		</message>
		<message>
			<source>%1 and %2: moves of %3 and %4 in colour (a, b) leave %5.</source>
			<translation>%1 und %2: Bewegungen von %3 und %4 in der Farbe (a, b) lassen %5.</translation>
		</message>
		<message>
			<source>%1 and %2: moves of %3 and %4 on the tone axis leave %5.</source>
			<translation>%1 und %2: Bewegungen von %3 und %4 auf der Tonachse lassen %5.</translation>
		</message>
		<message>
			<source>%1 and %L2 more</source>
			<translation>%1 und %L2 weitere</translation>
		</message>
		<message>
			<source>%1 and %L2 other folders</source>
			<translation>%1 und %L2 weiteren Ordnern</translation>
		</message>
		<message>
			<source>%1 as it travels</source>
			<translation>%1, wie es reist</translation>
		</message>
		<message>
			<source>%1 as most frames have it</source>
			<translation>%1, wie die meisten Aufnahmen es haben</translation>
		</message>
		<message>
			<source>%1 at %2</source>
			<translation>%1 bei %2</translation>
		</message>
		<message>
			<source>%1 at %2°</source>
			<translation>%1 bei %2°</translation>
		</message>
		<message>
			<source>%1 at its end, %2</source>
			<translation>%1 an seinem Ende, %2</translation>
		</message>
		<message>
			<source>%1 brings %2 from ΔE %3 to %4. Other colours of this frame move by ΔE %5 in the mean, %6 at most. The wall shows it.</source>
			<translation>%1 bringt %2 von ΔE %3 auf %4. Andere Farben dieser Aufnahme bewegen sich im Mittel um ΔE %5, höchstens um %6. Die Wand zeigt es.</translation>
		</message>
		<message>
			<source>%1 brought back</source>
			<translation>%1 zurückgebracht</translation>
		</message>
		<message>
			<source>%1 brought back to neutral</source>
			<translation>%1 ins Neutrale zurückgebracht</translation>
		</message>
		<message>
			<source>%1 by %L2 recipes</source>
			<translation>%1 nach %L2 Rezepten</translation>
		</message>
		<message>
			<source>%1 by hand</source>
			<translation>%1 von Hand</translation>
		</message>
		<message>
			<source>%1 by one recipe</source>
			<translation>%1 nach einem Rezept</translation>
		</message>
		<message>
			<source>%1 by the fitted steps</source>
			<translation>%1 durch die angepassten Schritte</translation>
		</message>
		<message>
			<source>%1 by the table</source>
			<translation>%1 durch die Tabelle</translation>
		</message>
		<message>
			<source>%1 came back and is not known: %2</source>
			<translation>%1 kam zurück und ist nicht bekannt: %2</translation>
		</message>
		<message>
			<source>%1 came back retouched</source>
			<translation>%1 kam retuschiert zurück</translation>
		</message>
		<message>
			<source>%1 came back: %2.</source>
			<translation>%1 kam zurück: %2.</translation>
		</message>
		<message>
			<source>%1 came in neutral and leaves with chroma %2: warmth of %3 mired, green %4 brings it back.</source>
			<translation>%1 kam neutral herein und geht mit Buntheit %2: Wärme von %3 Mired, Grün %4 bringt es zurück.</translation>
		</message>
		<message>
			<source>%1 changed</source>
			<translation>%1 geändert</translation>
		</message>
		<message>
			<source>%1 chosen: set alike</source>
			<translation>%1 gewählt: gleich setzen</translation>
		</message>
		<message>
			<source>%1 chosen: shift alike</source>
			<translation>%1 gewählt: gleich verschieben</translation>
		</message>
		<message>
			<source>%1 colours of the table</source>
			<translation>%1 Farben der Tabelle</translation>
		</message>
		<message>
			<source>%1 colours; laid over by %2 features: it was cropped, turned or scaled</source>
			<translation>%1 Farben; nach %2 Merkmalen übereinandergelegt: es wurde beschnitten, gedreht oder verkleinert</translation>
		</message>
		<message>
			<source>%1 colours; the pictures lie on one another</source>
			<translation>%1 Farben; die Bilder liegen aufeinander</translation>
		</message>
		<message>
			<source>%1 confirmed</source>
			<translation>%1 bestätigt</translation>
		</message>
		<message>
			<source>%1 contradicts the other; neither is left out.</source>
			<translation>%1 widerspricht dem anderen; keines bleibt aus.</translation>
		</message>
		<message>
			<source>%1 contradicts the others and is left out.</source>
			<translation>%1 widerspricht den anderen und bleibt aus.</translation>
		</message>
		<message>
			<source>%1 dragged on the picture</source>
			<translation>%1 auf dem Bild gezogen</translation>
		</message>
		<message>
			<source>%1 drawn</source>
			<translation>%1 gezeichnet</translation>
		</message>
		<message>
			<source>%1 drawn anew</source>
			<translation>%1 neu gezeichnet</translation>
		</message>
		<message>
			<source>%1 each tint neutrals the same way: together chroma %2 towards hue %3°.</source>
			<translation>%1 tonen Neutrales alle gleich: zusammen Buntheit %2 zum Farbton %3°.</translation>
		</message>
		<message>
			<source>%1 entries</source>
			<translation>%1 Einträge</translation>
		</message>
		<message>
			<source>%1 findings open</source>
			<translation>%1 Befunde offen</translation>
		</message>
		<message>
			<source>%1 for %2</source>
			<translation>%1 für %2</translation>
		</message>
		<message numerus="yes">
			<source>%1 for %n frame(s)</source>
			<translation>
				<numerusform>%1 für %n Aufnahme</numerusform>
				<numerusform>%1 für %n Aufnahmen</numerusform>
			</translation>
		</message>
		<message>
			<source>%1 for all frames</source>
			<translation>%1 für alle Aufnahmen</translation>
		</message>
		<message>
			<source>%1 for light %2</source>
			<translation>%1 für das Licht %2</translation>
		</message>
		<message>
			<source>%1 frames checked</source>
			<translation>%1 Aufnahmen geprüft</translation>
		</message>
		<message>
			<source>%1 free</source>
			<translation>%1 frei</translation>
		</message>
		<message>
			<source>%1 from %2</source>
			<translation>%1 von %2</translation>
		</message>
		<message>
			<source>%1 from its lead; as it came %2</source>
			<translation>%1 von der Leitaufnahme; wie es kam %2</translation>
		</message>
		<message>
			<source>%1 from its target</source>
			<translation>%1 vom Ziel</translation>
		</message>
		<message>
			<source>%1 from its target.</source>
			<translation>%1 vom Ziel.</translation>
		</message>
		<message>
			<source>%1 given to %2</source>
			<translation>%1 an %2 gegeben</translation>
		</message>
		<message>
			<source>%1 h</source>
			<translation>%1 h</translation>
		</message>
		<message>
			<source>%1 if at %2</source>
			<translation>%1 wenn bei %2</translation>
		</message>
		<message>
			<source>%1 in %2</source>
			<translation>%1 in %2</translation>
		</message>
		<message>
			<source>%1 is %2</source>
			<translation>%1 ist %2</translation>
		</message>
		<message>
			<source>%1 is %2 % rougher by local contrast</source>
			<translation>%1 ist durch lokalen Kontrast %2 % rauer</translation>
		</message>
		<message>
			<source>%1 is %2 from its swatch</source>
			<translation>%1 liegt %2 von seinem Farbmuster</translation>
		</message>
		<message>
			<source>%1 is %2 from its target</source>
			<translation>%1 liegt %2 von seinem Ziel</translation>
		</message>
		<message>
			<source>%1 is %2 from that of the other frames of the light</source>
			<translation>%1 liegt %2 von dem der anderen Aufnahmen des Lichts</translation>
		</message>
		<message>
			<source>%1 is %2 from the lead of its light</source>
			<translation>%1 liegt %2 von der Leitaufnahme seines Lichts</translation>
		</message>
		<message>
			<source>%1 is a finding again</source>
			<translation>%1 ist wieder ein Befund</translation>
		</message>
		<message>
			<source>%1 is done, and nothing has changed since.</source>
			<translation>%1 ist erledigt, und seither hat sich nichts geändert.</translation>
		</message>
		<message>
			<source>%1 is done.</source>
			<translation>%1 ist erledigt.</translation>
		</message>
		<message>
			<source>%1 is in the library.</source>
			<translation>%1 ist in der Sammlung.</translation>
		</message>
		<message>
			<source>%1 is not a profile of a screen</source>
			<translation>%1 ist kein Profil eines Schirms</translation>
		</message>
		<message>
			<source>%1 is not done.</source>
			<translation>%1 ist nicht erledigt.</translation>
		</message>
		<message>
			<source>%1 is not here</source>
			<translation>%1 ist nicht hier</translation>
		</message>
		<message>
			<source>%1 is off neutral by %2, towards %3</source>
			<translation>%1 weicht um %2 von Neutral ab, nach %3</translation>
		</message>
		<message>
			<source>%1 is open again</source>
			<translation>%1 ist wieder offen</translation>
		</message>
		<message>
			<source>%1 is taken: %2</source>
			<translation>%1 ist vergeben: %2</translation>
		</message>
		<message>
			<source>%1 jobs lie in this folder; this is %2.</source>
			<translation>In diesem Ordner liegen %1 Aufträge; dies ist %2.</translation>
		</message>
		<message>
			<source>%1 kept by each frame</source>
			<translation>%1 behält jede Aufnahme selbst</translation>
		</message>
		<message>
			<source>%1 key colours. Measure finds them on every frame.</source>
			<translation>%1 Leitfarben. Messen findet sie auf jeder Aufnahme.</translation>
		</message>
		<message>
			<source>%1 leaves ΔE %2 from its target (%3 allowed), moved most by %4.</source>
			<translation>%1 lässt ΔE %2 zum Ziel (%3 erlaubt), am meisten durch %4 bewegt.</translation>
		</message>
		<message>
			<source>%1 left open</source>
			<translation>%1 offen gelassen</translation>
		</message>
		<message>
			<source>%1 let stand at %2</source>
			<translation>%1 bei %2 hingenommen</translation>
		</message>
		<message>
			<source>%1 locked</source>
			<translation>%1 gesperrt</translation>
		</message>
		<message>
			<source>%1 megapixels</source>
			<translation>%1 Megapixel</translation>
		</message>
		<message>
			<source>%1 min</source>
			<translation>%1 min</translation>
		</message>
		<message>
			<source>%1 moved</source>
			<translation>%1 bewegt</translation>
		</message>
		<message>
			<source>%1 moved by %2: %3, %4</source>
			<translation>%1 bewegte sich um %2: %3, %4</translation>
		</message>
		<message>
			<source>%1 of %2</source>
			<translation>%1 von %2</translation>
		</message>
		<message>
			<source>%1 of %2 frames</source>
			<translation>%1 von %2 Aufnahmen</translation>
		</message>
		<message>
			<source>%1 of %2 frames done. Spent %3 of a budget of %4; %5.</source>
			<translation>%1 von %2 Aufnahmen erledigt. %3 von %4 Vorgabe verbraucht; %5.</translation>
		</message>
		<message>
			<source>%1 of %2 open</source>
			<translation>%1 von %2 offen</translation>
		</message>
		<message>
			<source>%1 of %2 right. Three of four would be right at %3.</source>
			<translation>%1 von %2 richtig. Drei von vieren wären richtig bei %3.</translation>
		</message>
		<message>
			<source>%1 of %2 rows within tolerance; %3 apart, %4 at the start.</source>
			<translation>%1 von %2 Zeilen in der Toleranz; %3 auseinander, %4 am Anfang.</translation>
		</message>
		<message>
			<source>%1 of %2 rows within tolerance; %3 apart.</source>
			<translation>%1 von %2 Zeilen in der Toleranz; %3 auseinander.</translation>
		</message>
		<message>
			<source>%1 of %2: %3</source>
			<translation>%1 von %2: %3</translation>
		</message>
		<message>
			<source>%1 of 5 companions</source>
			<translation>%1 von 5 Begleitern</translation>
		</message>
		<message>
			<source>%1 of a frame</source>
			<translation>%1 einer Aufnahme</translation>
		</message>
		<message>
			<source>%1 on %2.</source>
			<translation>%1 auf %2.</translation>
		</message>
		<message>
			<source>%1 pairs, %2 colours</source>
			<translation>%1 Paare, %2 Farben</translation>
		</message>
		<message>
			<source>%1 per picture</source>
			<translation>%1 je Aufnahme</translation>
		</message>
		<message>
			<source>%1 pixels long</source>
			<translation>%1 Pixel lang</translation>
		</message>
		<message>
			<source>%1 points; drag them with Outline.</source>
			<translation>%1 Punkte; mit Umriss zu ziehen.</translation>
		</message>
		<message>
			<source>%1 proposed</source>
			<translation>%1 vorgeschlagen</translation>
		</message>
		<message>
			<source>%1 proposed, %2 cannot be brought onto the others: see their notes</source>
			<translation>%1 vorgeschlagen, %2 nicht anzugleichen: siehe Anmerkungen</translation>
		</message>
		<message>
			<source>%1 put %2 on %3; now %4, most by %5.</source>
			<translation>%1 legte %2 auf %3; jetzt %4, am meisten durch %5.</translation>
		</message>
		<message>
			<source>%1 put into %2</source>
			<translation>%1 in %2 eingefügt</translation>
		</message>
		<message>
			<source>%1 px</source>
			<translation>%1 px</translation>
		</message>
		<message>
			<source>%1 references: where they differ, the tolerance is wider</source>
			<translation>%1 Vorlagen: wo sie sich unterscheiden, ist die Toleranz weiter</translation>
		</message>
		<message>
			<source>%1 removed</source>
			<translation>%1 entfernt</translation>
		</message>
		<message>
			<source>%1 s</source>
			<translation>%1 s</translation>
		</message>
		<message>
			<source>%1 set</source>
			<translation>%1 gesetzt</translation>
		</message>
		<message>
			<source>%1 stands out by chroma %2, before %3</source>
			<translation>%1 hebt sich in der Buntheit um %2 ab, vorher %3</translation>
		</message>
		<message>
			<source>%1 stands out by hue %2°, before %3°</source>
			<translation>%1 hebt sich im Farbton um %2° ab, vorher %3°</translation>
		</message>
		<message>
			<source>%1 stands out by lightness %2, before %3</source>
			<translation>%1 hebt sich in der Helligkeit um %2 ab, vorher %3</translation>
		</message>
		<message>
			<source>%1 stops</source>
			<translation>%1 Blenden</translation>
		</message>
		<message>
			<source>%1 stops apart</source>
			<translation>%1 Blenden auseinander</translation>
		</message>
		<message>
			<source>%1 switched off</source>
			<translation>%1 ausgeschaltet</translation>
		</message>
		<message>
			<source>%1 switched on</source>
			<translation>%1 eingeschaltet</translation>
		</message>
		<message>
			<source>%1 taken away</source>
			<translation>%1 entfernt</translation>
		</message>
		<message>
			<source>%1 taken from the library</source>
			<translation>%1 aus der Sammlung genommen</translation>
		</message>
		<message>
			<source>%1 ticked</source>
			<translation>%1 abgehakt</translation>
		</message>
		<message>
			<source>%1 tiles</source>
			<translation>%1 Felder</translation>
		</message>
		<message>
			<source>%1 to %2</source>
			<translation>%1 bis %2</translation>
		</message>
		<message>
			<source>%1 to go: done on %2 at this pace.</source>
			<translation>noch %1: in diesem Gang fertig am %2.</translation>
		</message>
		<message>
			<source>%1 to look at, %2 not marked, %3 marked, %4 not here</source>
			<translation>%1 anzusehen, %2 nicht markiert, %3 markiert, %4 nicht hier</translation>
		</message>
		<message>
			<source>%1 travels with the look</source>
			<translation>%1 reist mit dem Look</translation>
		</message>
		<message>
			<source>%1 values do not travel</source>
			<translation>%1 Werte reisen nicht</translation>
		</message>
		<message>
			<source>%1 values: %2</source>
			<translation>%1 Werte: %2</translation>
		</message>
		<message>
			<source>%1 was done; since then: %2</source>
			<translation>%1 war erledigt; seither: %2</translation>
		</message>
		<message>
			<source>%1 was left: %2</source>
			<translation>%1 blieb liegen: %2</translation>
		</message>
		<message>
			<source>%1 was made %2 stops darker: that is taken out.</source>
			<translation>%1 wurde %2 Blenden dunkler gemacht: das ist herausgenommen.</translation>
		</message>
		<message>
			<source>%1 was made %2 stops lighter: that is taken out.</source>
			<translation>%1 wurde %2 Blenden heller gemacht: das ist herausgenommen.</translation>
		</message>
		<message>
			<source>%1 was not found on this frame.</source>
			<translation>%1 wurde auf dieser Aufnahme nicht gefunden.</translation>
		</message>
		<message>
			<source>%1 would take it away, but %2</source>
			<translation>%1 würde ihn beheben, aber %2</translation>
		</message>
		<message>
			<source>%1 would then be past its limit: %2</source>
			<translation>%1 wäre dann über der Grenze: %2</translation>
		</message>
		<message>
			<source>%1 · %2</source>
			<translation>%1 · %2</translation>
		</message>
		<message>
			<source>%1 · %2 · Jolly Amber</source>
			<translation>%1 · %2 · Jolly Amber</translation>
		</message>
		<message>
			<source>%1 · %2 · not kept · Jolly Amber</source>
			<translation>%1 · %2 · nicht festgehalten · Jolly Amber</translation>
		</message>
		<message>
			<source>%1 · %2: %3 of %4 · %5</source>
			<translation>%1 · %2: %3 von %4 · %5</translation>
		</message>
		<message>
			<source>%1 · with the cure</source>
			<translation>%1 · mit der Abhilfe</translation>
		</message>
		<message>
			<source>%1 → %2</source>
			<translation>%1 → %2</translation>
		</message>
		<message>
			<source>%1%2</source>
			<translation>%1%2</translation>
		</message>
		<message>
			<source>%1, %2</source>
			<translation>%1, %2</translation>
		</message>
		<message>
			<source>%1, %2 %</source>
			<translation>%1, %2 %</translation>
		</message>
		<message>
			<source>%1, %2: %3</source>
			<translation>%1, %2: %3</translation>
		</message>
		<message numerus="yes">
			<source>%1, %n entries</source>
			<translation>
				<numerusform>%1, %n Eintrag</numerusform>
				<numerusform>%1, %n Einträge</numerusform>
			</translation>
		</message>
		<message>
			<source>%1, TIFF with 16 bits in ProPhoto, and the list of what is to be done, as pages and as data. Files that come back are known by what is in them.</source>
			<translation>%1, TIFF mit 16 Bit in ProPhoto, und die Liste dessen, was zu tun ist, als Seiten und als Daten. Zurückkommende Dateien werden an dem erkannt, was in ihnen ist.</translation>
		</message>
		<message>
			<source>%1, at %2, %3 %</source>
			<translation>%1, bei %2, %3 %</translation>
		</message>
		<message>
			<source>%1, by chroma</source>
			<translation>%1, nach Buntheit</translation>
		</message>
		<message>
			<source>%1, by lightness</source>
			<translation>%1, nach Helligkeit</translation>
		</message>
		<message>
			<source>%1, copy</source>
			<translation>%1, Kopie</translation>
		</message>
		<message>
			<source>%1, done</source>
			<translation>%1, erledigt</translation>
		</message>
		<message>
			<source>%1, f/%2, %3 stops</source>
			<translation>%1, f/%2, %3 Blenden</translation>
		</message>
		<message>
			<source>%1, hue %2°</source>
			<translation>%1, Farbton %2°</translation>
		</message>
		<message>
			<source>%1, may be another thing</source>
			<translation>%1, vielleicht ein anderes Ding</translation>
		</message>
		<message>
			<source>%1, not used</source>
			<translation>%1, nicht angewandt</translation>
		</message>
		<message>
			<source>%1, off</source>
			<translation>%1, aus</translation>
		</message>
		<message>
			<source>%1, own</source>
			<translation>%1, eigener</translation>
		</message>
		<message>
			<source>%1, perhaps %2 % the look's</source>
			<translation>%1, wohl zu %2 % vom Look</translation>
		</message>
		<message>
			<source>%1, the file's own</source>
			<translation>%1, der Datei eigen</translation>
		</message>
		<message>
			<source>%1.</source>
			<translation>%1.</translation>
		</message>
		<message>
			<source>%1.
%2 in the reference, %3 in ours; tolerance %4</source>
			<translation>%1.
%2 in der Vorlage, %3 bei uns; Toleranz %4</translation>
		</message>
		<message>
			<source>%1. Limit for %2: %3.</source>
			<translation>%1. Grenze für %2: %3.</translation>
		</message>
		<message>
			<source>%1. The copies are kept; bring them in again.</source>
			<translation>%1. Die Kopien bleiben; holen Sie sie noch einmal herein.</translation>
		</message>
		<message>
			<source>%1. They are left as they are in the job.</source>
			<translation>%1. Sie bleiben im Auftrag, wie sie sind.</translation>
		</message>
		<message>
			<source>%1. What was held before is still held.</source>
			<translation>%1. Was vorher gehalten wurde, wird noch gehalten.</translation>
		</message>
		<message>
			<source>%1. What was open before is still open.</source>
			<translation>%1. Was vorher offen war, ist noch offen.</translation>
		</message>
		<message>
			<source>%1/%2</source>
			<translation>%1/%2</translation>
		</message>
		<message>
			<source>%1: %2</source>
			<translation>%1: %2</translation>
		</message>
		<message>
			<source>%1: %2 % of the reference and %3 % of ours; ΔE %4, tolerance %5</source>
			<translation>%1: %2 % der Vorlage und %3 % bei uns; ΔE %4, Toleranz %5</translation>
		</message>
		<message>
			<source>%1: %2 K, tint %3</source>
			<translation>%1: %2 K, Tönung %3</translation>
		</message>
		<message>
			<source>%1: %2 K, tint %3; not sure, little of the picture is near neutral</source>
			<translation>%1: %2 K, Tönung %3; nicht sicher, wenig vom Bild ist nahezu neutral</translation>
		</message>
		<message>
			<source>%1: %2 as it was found again</source>
			<translation>%1: %2 wieder wie vorgefunden</translation>
		</message>
		<message>
			<source>%1: %2 from its lead, as it came %3</source>
			<translation>%1: %2 von der Leitaufnahme, wie es kam %3</translation>
		</message>
		<message>
			<source>%1: %2 in hue and chroma from the other frames of the light</source>
			<translation>%1: in Farbton und Buntheit %2 von den anderen Aufnahmen des Lichts</translation>
		</message>
		<message>
			<source>%1: %2 left open</source>
			<translation>%1: %2 offen gelassen</translation>
		</message>
		<message>
			<source>%1: %2 moved</source>
			<translation>%1: %2 bewegt</translation>
		</message>
		<message>
			<source>%1: %2 ticked</source>
			<translation>%1: %2 abgehakt</translation>
		</message>
		<message>
			<source>%1: %2%3</source>
			<translation>%1: %2%3</translation>
		</message>
		<message>
			<source>%1: %2, wanted %3</source>
			<translation>%1: %2, gewünscht %3</translation>
		</message>
		<message>
			<source>%1: %2.</source>
			<translation>%1: %2.</translation>
		</message>
		<message>
			<source>%1: %2°</source>
			<translation>%1: %2°</translation>
		</message>
		<message>
			<source>%1: L* %2 in the reference, %3 in ours; tolerance %4</source>
			<translation>%1: L* %2 in der Vorlage, %3 bei uns; Toleranz %4</translation>
		</message>
		<message>
			<source>%1: added</source>
			<translation>%1: hinzugefügt</translation>
		</message>
		<message>
			<source>%1: area %2</source>
			<translation>%1: Bereich %2</translation>
		</message>
		<message>
			<source>%1: click to switch these steps off or on together (Ctrl+Space)</source>
			<translation>%1: klicken schaltet diese Schritte zusammen aus oder ein (Strg+Leertaste)</translation>
		</message>
		<message>
			<source>%1: in another order</source>
			<translation>%1: in anderer Reihenfolge</translation>
		</message>
		<message>
			<source>%1: it shelters hue %2°</source>
			<translation>%1: er schont den Farbton %2°</translation>
		</message>
		<message>
			<source>%1: its guard holds to one hue, %2°</source>
			<translation>%1: sein Schutz hält an einem Farbton fest, %2°</translation>
		</message>
		<message>
			<source>%1: its values do not fit</source>
			<translation>%1: seine Werte passen nicht</translation>
		</message>
		<message>
			<source>%1: key colour%2 found</source>
			<translation>%1: Leitfarbe%2 gefunden</translation>
		</message>
		<message>
			<source>%1: key colour%2 no longer found</source>
			<translation>%1: Leitfarbe%2 nicht mehr gefunden</translation>
		</message>
		<message>
			<source>%1: make your picture the reference</source>
			<translation>%1: machen Sie Ihr Bild zur Vorlage</translation>
		</message>
		<message>
			<source>%1: moved to place %2</source>
			<translation>%1: an Platz %2 verschoben</translation>
		</message>
		<message>
			<source>%1: nothing to measure on this frame</source>
			<translation>%1: auf dieser Aufnahme nichts zu messen</translation>
		</message>
		<message>
			<source>%1: nothing to tell it by</source>
			<translation>%1: nichts, woran es zu sehen wäre</translation>
		</message>
		<message>
			<source>%1: pin closed: %2</source>
			<translation>%1: Merker geschlossen: %2</translation>
		</message>
		<message>
			<source>%1: pin now says: %2</source>
			<translation>%1: Merker sagt nun: %2</translation>
		</message>
		<message>
			<source>%1: pin open again: %2</source>
			<translation>%1: Merker wieder offen: %2</translation>
		</message>
		<message>
			<source>%1: pin taken away: %2</source>
			<translation>%1: Merker entfernt: %2</translation>
		</message>
		<message>
			<source>%1: pin: %2</source>
			<translation>%1: Merker: %2</translation>
		</message>
		<message>
			<source>%1: regions left out %2</source>
			<translation>%1: ausgelassene Stellen %2</translation>
		</message>
		<message>
			<source>%1: removed</source>
			<translation>%1: entfernt</translation>
		</message>
		<message>
			<source>%1: the client says: %2</source>
			<translation>%1: der Kunde sagt: %2</translation>
		</message>
		<message>
			<source>%1: the family “%2” was made for one subject</source>
			<translation>%1: die Familie „%2“ wurde für einen Gegenstand gemacht</translation>
		</message>
		<message>
			<source>%1: the step is not there</source>
			<translation>%1: der Schritt ist nicht da</translation>
		</message>
		<message>
			<source>%1: ΔE %2 (lightness %3, chroma %4, hue %5)</source>
			<translation>%1: ΔE %2 (Helligkeit %3, Buntheit %4, Farbton %5)</translation>
		</message>
		<message>
			<source>%1: ΔE %2 to %3</source>
			<translation>%1: ΔE %2 auf %3</translation>
		</message>
		<message>
			<source>%1: ΔE00 %2 left in %3 s; %4 counts as right here</source>
			<translation>%1: ΔE00 %2 blieb in %3 s; %4 gilt hier als richtig</translation>
		</message>
		<message>
			<source>%1; %L2 frames have a look of their own</source>
			<translation>%1; %L2 Aufnahmen haben einen eigenen Look</translation>
		</message>
		<message>
			<source>%1; one frame has a look of its own</source>
			<translation>%1; eine Aufnahme hat einen eigenen Look</translation>
		</message>
		<message>
			<source>%1; unseen %2 → %3</source>
			<translation>%1; ungesehen %2 → %3</translation>
		</message>
		<message>
			<source>%1° towards red</source>
			<translation>%1° nach Rot</translation>
		</message>
		<message>
			<source>%1° towards yellow</source>
			<translation>%1° nach Gelb</translation>
		</message>
		<message>
			<source>%L1 %</source>
			<translation>%L1 %</translation>
		</message>
		<message>
			<source>%L1 cannot be read: point at them for the reason</source>
			<translation>%L1 nicht zu lesen: zeigen Sie darauf, um den Grund zu sehen</translation>
		</message>
		<message>
			<source>%L1 did not come in: %2.</source>
			<translation>%L1 kamen nicht herein: %2.</translation>
		</message>
		<message>
			<source>%L1 failed, see the list</source>
			<translation>%L1 misslungen, siehe Liste</translation>
		</message>
		<message>
			<source>%L1 files</source>
			<translation>%L1 Dateien</translation>
		</message>
		<message>
			<source>%L1 found by their content. Their work is theirs again.</source>
			<translation>%L1 an ihrem Inhalt gefunden. Ihre Arbeit ist wieder die ihre.</translation>
		</message>
		<message>
			<source>%L1 frames</source>
			<translation>%L1 Aufnahmen</translation>
		</message>
		<message>
			<source>%L1 known already: %2.</source>
			<translation>%L1 schon bekannt: %2.</translation>
		</message>
		<message>
			<source>%L1 left out, they show the colour card</source>
			<translation>%L1 ausgelassen, sie zeigen die Farbkarte</translation>
		</message>
		<message>
			<source>%L1 metadata files did not come along: %2.</source>
			<translation>%L1 Metadatendateien kamen nicht mit: %2.</translation>
		</message>
		<message>
			<source>%L1 not where they were</source>
			<translation>%L1 nicht, wo sie waren</translation>
		</message>
		<message>
			<source>%L1 of %L2</source>
			<translation>%L1 von %L2</translation>
		</message>
		<message>
			<source>%L1 of %L2 cells folded</source>
			<translation>%L1 von %L2 Zellen gefaltet</translation>
		</message>
		<message>
			<source>%L1 of %L2 done, about %3 left</source>
			<translation>%L1 von %L2 fertig, noch etwa %3</translation>
		</message>
		<message>
			<source>%L1 of %L2, %3 min left</source>
			<translation>%L1 von %L2, noch %3 min</translation>
		</message>
		<message>
			<source>%L1 of %L2, %3 s left</source>
			<translation>%L1 von %L2, noch %3 s</translation>
		</message>
		<message>
			<source>%L1 of them %2</source>
			<translation>%L1 davon %2</translation>
		</message>
		<message>
			<source>%L1 pictures are not where they were. %L2 of them lie in %3 now, known by their content.</source>
			<translation>%L1 Bilder sind nicht, wo sie waren. %L2 davon liegen jetzt in %3, an ihrem Inhalt erkannt.</translation>
		</message>
		<message>
			<source>%L1 pictures are not where they were. They lie in %2 now, known by their content.</source>
			<translation>%L1 Bilder sind nicht, wo sie waren. Sie liegen jetzt in %2, an ihrem Inhalt erkannt.</translation>
		</message>
		<message>
			<source>%L1 pictures are not where they were: %2. Their work is kept.</source>
			<translation>%L1 Bilder sind nicht, wo sie waren: %2. Ihre Arbeit ist festgehalten.</translation>
		</message>
		<message>
			<source>%L1 pictures came in.</source>
			<translation>%L1 Bilder kamen herein.</translation>
		</message>
		<message>
			<source>%L1 pictures. What the job has already is named and left out.</source>
			<translation>%L1 Bilder. Was der Auftrag schon hat, wird genannt und ausgelassen.</translation>
		</message>
		<message>
			<source>%L1 sent to %2</source>
			<translation>%L1 nach %2 gesandt</translation>
		</message>
		<message>
			<source>%L1 still being read</source>
			<translation>%L1 werden noch gelesen</translation>
		</message>
		<message>
			<source>%L1 under another name, because a file that was not written here has theirs</source>
			<translation>%L1 unter anderem Namen, weil eine nicht hier geschriebene Datei ihren trägt</translation>
		</message>
		<message numerus="yes">
			<source>%n entries</source>
			<translation>
				<numerusform>%n Eintrag</numerusform>
				<numerusform>%n Einträge</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n files get another name, because files that were not written here have theirs.</source>
			<translation>
				<numerusform>%n Datei bekommt einen anderen Namen, weil eine Datei, die nicht hier geschrieben wurde, ihren hat.</numerusform>
				<numerusform>%n Dateien bekommen andere Namen, weil Dateien, die nicht hier geschrieben wurden, ihre haben.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames</source>
			<translation>
				<numerusform>%n Aufnahme</numerusform>
				<numerusform>%n Aufnahmen</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames are left out: the colour card would be seen.</source>
			<translation>
				<numerusform>%n Aufnahme bleibt weg: die Farbkarte wäre zu sehen.</numerusform>
				<numerusform>%n Aufnahmen bleiben weg: die Farbkarte wäre zu sehen.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames are over their budget</source>
			<translation>
				<numerusform>%n Aufnahme ist über ihrer Vorgabe</numerusform>
				<numerusform>%n Aufnahmen sind über ihrer Vorgabe</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames cannot be rendered and will fail.</source>
			<translation>
				<numerusform>%n Aufnahme lässt sich nicht berechnen und wird scheitern.</numerusform>
				<numerusform>%n Aufnahmen lassen sich nicht berechnen und werden scheitern.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames have no area for %1: those steps do nothing there.</source>
			<translation>
				<numerusform>%n Aufnahme hat keinen Bereich für %1: diese Schritte tun dort nichts.</numerusform>
				<numerusform>%n Aufnahmen haben keinen Bereich für %1: diese Schritte tun dort nichts.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n frames have no balance.</source>
			<translation>
				<numerusform>%n Aufnahme hat keinen Ausgleich.</numerusform>
				<numerusform>%n Aufnahmen haben keinen Ausgleich.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n key colours, %1</source>
			<translation>
				<numerusform>%n Leitfarbe, %1</numerusform>
				<numerusform>%n Leitfarben, %1</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n line(s) do not tell yet: draw one farther from the middle</source>
			<translation>
				<numerusform>%n Linie sagt noch nichts: eine weiter von der Mitte ziehen</numerusform>
				<numerusform>%n Linien sagen noch nichts: eine weiter von der Mitte ziehen</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n look(s) wait: open a folder or a job to bring them into.</source>
			<translation>
				<numerusform>%n Look wartet: öffnen Sie einen Ordner oder Auftrag, in den er kommen soll.</numerusform>
				<numerusform>%n Looks warten: öffnen Sie einen Ordner oder Auftrag, in den sie kommen sollen.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n minute(s) at work without a pause: eyes have taken on what they look at. Three minutes away from the screen set them right.</source>
			<translation>
				<numerusform>%n Minute ohne Pause an der Arbeit: Augen haben angenommen, was sie ansehen. Drei Minuten weg vom Schirm stellen sie richtig.</numerusform>
				<numerusform>%n Minuten ohne Pause an der Arbeit: Augen haben angenommen, was sie ansehen. Drei Minuten weg vom Schirm stellen sie richtig.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n other frame(s) by sensitivity</source>
			<translation>
				<numerusform>%n andere Aufnahme nach Empfindlichkeit</numerusform>
				<numerusform>%n andere Aufnahmen nach Empfindlichkeit</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n pictures are not where they were: they will fail.</source>
			<translation>
				<numerusform>%n Bild ist nicht mehr, wo es war: es wird scheitern.</numerusform>
				<numerusform>%n Bilder sind nicht mehr, wo sie waren: sie werden scheitern.</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n pins are open</source>
			<translation>
				<numerusform>%n Merker ist offen</numerusform>
				<numerusform>%n Merker sind offen</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n pins are open; hand over asks about them</source>
			<translation>
				<numerusform>%n Merker ist offen; die Übergabe fragt danach</numerusform>
				<numerusform>%n Merker sind offen; die Übergabe fragt danach</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n sittings; the last: %1</source>
			<translation>
				<numerusform>%n Sitzung; die letzte: %1</numerusform>
				<numerusform>%n Sitzungen; die letzte: %1</numerusform>
			</translation>
		</message>
		<message numerus="yes">
			<source>%n stars</source>
			<translation>
				<numerusform>%n Stern</numerusform>
				<numerusform>%n Sterne</numerusform>
			</translation>
		</message>
		<message>
			<source>, %1° off the plan</source>
			<translation>, %1° neben dem Plan</translation>
		</message>
		<message numerus="yes">
			<source>, and %n more</source>
			<translation>
				<numerusform>, und %n weiterer</numerusform>
				<numerusform>, und %n weitere</numerusform>
			</translation>
		</message>
		<message>
			<source>, and key colours move by ΔE %1 at most</source>
			<translation>, und Leitfarben bewegen sich um höchstens ΔE %1</translation>
		</message>
		<message>
			<source>, and the look sharpens</source>
			<translation>, und der Look schärft</translation>
		</message>
		<message>
			<source>, as its card says</source>
			<translation>, wie seine Karte sagt</translation>
		</message>
		<message>
			<source>, by hand</source>
			<translation>, von Hand</translation>
		</message>
		<message>
			<source>, chosen</source>
			<translation>, gewählt</translation>
		</message>
		<message>
			<source>, companion %1</source>
			<translation>, Begleiter %1</translation>
		</message>
		<message>
			<source>, done</source>
			<translation>, erledigt</translation>
		</message>
		<message>
			<source>, from %1</source>
			<translation>, aus %1</translation>
		</message>
		<message>
			<source>, in %1</source>
			<translation>, in %1</translation>
		</message>
		<message>
			<source>, in hand</source>
			<translation>, in Arbeit</translation>
		</message>
		<message>
			<source>, look %1</source>
			<translation>, Look %1</translation>
		</message>
		<message>
			<source>, most of it %1</source>
			<translation>, das meiste %1</translation>
		</message>
		<message>
			<source>, proposed</source>
			<translation>, vorgeschlagen</translation>
		</message>
		<message>
			<source>, rated %1</source>
			<translation>, mit %1 gewertet</translation>
		</message>
		<message>
			<source>, stands for its group</source>
			<translation>, steht für ihre Gruppe</translation>
		</message>
		<message>
			<source>, the largest patch %1</source>
			<translation>, der größte Fleck %1</translation>
		</message>
		<message>
			<source>, the same picture as %1</source>
			<translation>, dasselbe Bild wie %1</translation>
		</message>
		<message>
			<source>-0.5 to 0.5</source>
			<translation>-0,5 bis 0,5</translation>
		</message>
		<message>
			<source>-1 to 3</source>
			<translation>-1 bis 3</translation>
		</message>
		<message>
			<source>-8 to 2.4 stops from mid-grey</source>
			<translation>-8 bis 2,4 Blenden von Mittelgrau</translation>
		</message>
		<message>
			<source>. The amount was not</source>
			<translation>. Die Menge stimmte nicht</translation>
		</message>
		<message>
			<source>. The amount was right</source>
			<translation>. Die Menge stimmte</translation>
		</message>
		<message>
			<source>.cube, .clf, .png (Hald), .cc, .ccc or .cdl</source>
			<translation>.cube, .clf, .png (Hald), .cc, .ccc oder .cdl</translation>
		</message>
		<message>
			<source>.jpg, .png or .tif</source>
			<translation>.jpg, .png oder .tif</translation>
		</message>
		<message>
			<source>.png</source>
			<translation>.png</translation>
		</message>
		<message>
			<source>0 alike in all tones, 1 none in black and white</source>
			<translation>0 in allen Tönen gleich, 1 keines in Schwarz und Weiß</translation>
		</message>
		<message>
			<source>0 keeps chroma, 1 lets it rise and fall with lightness</source>
			<translation>0 hält die Buntheit, 1 lässt sie mit der Helligkeit steigen und fallen</translation>
		</message>
		<message>
			<source>0 the frame's own shape, 1 a circle</source>
			<translation>0 die Form der Aufnahme selbst, 1 ein Kreis</translation>
		</message>
		<message>
			<source>0 to 1</source>
			<translation>0 bis 1</translation>
		</message>
		<message>
			<source>0 to 2</source>
			<translation>0 bis 2</translation>
		</message>
		<message>
			<source>0 to 5</source>
			<translation>0 bis 5</translation>
		</message>
		<message>
			<source>0.02 to 0.4</source>
			<translation>0,02 bis 0,4</translation>
		</message>
		<message>
			<source>1  Shoot</source>
			<translation>1  Serie</translation>
		</message>
		<message>
			<source>1 and more</source>
			<translation>1 und mehr</translation>
		</message>
		<message>
			<source>1 finding open</source>
			<translation>1 Befund offen</translation>
		</message>
		<message>
			<source>1 frame</source>
			<translation>1 Aufnahme</translation>
		</message>
		<message>
			<source>1 frame checked</source>
			<translation>1 Aufnahme geprüft</translation>
		</message>
		<message>
			<source>1 of %1</source>
			<translation>1 von %1</translation>
		</message>
		<message>
			<source>1 picture came in.</source>
			<translation>1 Bild kam herein.</translation>
		</message>
		<message>
			<source>1 to 80 bytes</source>
			<translation>1 bis 80 Byte</translation>
		</message>
		<message>
			<source>1 to 9</source>
			<translation>1 bis 9</translation>
		</message>
		<message>
			<source>1/%1 s</source>
			<translation>1/%1 s</translation>
		</message>
		<message>
			<source>100 %: pixel for pixel</source>
			<translation>100 %: Pixel für Pixel</translation>
		</message>
		<message>
			<source>16-bit files of frames, and a list of what is to be done</source>
			<translation>16-Bit-Dateien von Aufnahmen und eine Liste dessen, was zu tun ist</translation>
		</message>
		<message>
			<source>1D, %1 samples</source>
			<translation>1D, %1 Stützstellen</translation>
		</message>
		<message>
			<source>2  Balance</source>
			<translation>2  Ausgleich</translation>
		</message>
		<message>
			<source>2 and more</source>
			<translation>2 und mehr</translation>
		</message>
		<message>
			<source>20 mired move colours of skin by ΔE %1, and all others by %2.</source>
			<translation>20 Mired bewegen Hautfarben um ΔE %1 und alle anderen um %2.</translation>
		</message>
		<message>
			<source>3  Look</source>
			<translation>3  Look</translation>
		</message>
		<message>
			<source>3 and more</source>
			<translation>3 und mehr</translation>
		</message>
		<message>
			<source>3D, %1 a side</source>
			<translation>3D, %1 je Seite</translation>
		</message>
		<message>
			<source>4  Match</source>
			<translation>4  Vorlage</translation>
		</message>
		<message>
			<source>4 and more</source>
			<translation>4 und mehr</translation>
		</message>
		<message>
			<source>5</source>
			<translation>5</translation>
		</message>
		<message>
			<source>5  Proof</source>
			<translation>5  Prüfung</translation>
		</message>
		<message>
			<source>50, print viewing</source>
			<translation>50, Betrachten von Drucken</translation>
		</message>
		<message>
			<source>6  Hand over</source>
			<translation>6  Übergabe</translation>
		</message>
		<message>
			<source>8 or 16 bits a channel</source>
			<translation>8 oder 16 Bit je Kanal</translation>
		</message>
		<message>
			<source>96, paper</source>
			<translation>96, Papier</translation>
		</message>
		<message>
			<source>: a file that came back stands for it</source>
			<translation>: eine zurückgekommene Datei steht für sie</translation>
		</message>
		<message>
			<source>: a look of its own</source>
			<translation>: ein eigener Look</translation>
		</message>
		<message>
			<source>: another frame stands for it</source>
			<translation>: eine andere Aufnahme steht dafür</translation>
		</message>
		<message>
			<source>: another target</source>
			<translation>: anderes Ziel</translation>
		</message>
		<message>
			<source>: changed</source>
			<translation>: geändert</translation>
		</message>
		<message>
			<source>: done</source>
			<translation>: fertig</translation>
		</message>
		<message>
			<source>: its own picture again</source>
			<translation>: wieder das eigene Bild</translation>
		</message>
		<message>
			<source>: left out</source>
			<translation>: weggelassen</translation>
		</message>
		<message>
			<source>: marked anew</source>
			<translation>: neu markiert</translation>
		</message>
		<message numerus="yes">
			<source>: merged of %n exposures</source>
			<translation>
				<numerusform>: aus %n Belichtung zusammengesetzt</numerusform>
				<numerusform>: aus %n Belichtungen zusammengesetzt</numerusform>
			</translation>
		</message>
		<message>
			<source>: no look of its own</source>
			<translation>: kein eigener Look</translation>
		</message>
		<message>
			<source>: not done</source>
			<translation>: nicht fertig</translation>
		</message>
		<message>
			<source>: not merged</source>
			<translation>: nicht zusammengesetzt</translation>
		</message>
		<message>
			<source>: other limits</source>
			<translation>: andere Grenzen</translation>
		</message>
		<message>
			<source>: tolerance %1</source>
			<translation>: Toleranz %1</translation>
		</message>
		<message>
			<source>: used again</source>
			<translation>: wieder verwendet</translation>
		</message>
		<message>
			<source>; %1 versions are pinned</source>
			<translation>; %1 Fassungen sind festgehalten</translation>
		</message>
		<message>
			<source>; 1 version is pinned</source>
			<translation>; 1 Fassung ist festgehalten</translation>
		</message>
		<message>
			<source>; partly shaded</source>
			<translation>; teils beschattet</translation>
		</message>
		<message>
			<source>&lt;p style='font-size:20px'&gt;Open a folder of pictures&lt;/p&gt;&lt;p&gt;or drop files here. JPEG, PNG, TIFF, WebP and raw files are read.&lt;br&gt;Your pictures are never written to; the job is kept in one file beside them.&lt;/p&gt;</source>
			<translation>&lt;p style='font-size:20px'&gt;Öffnen Sie einen Ordner mit Bildern&lt;/p&gt;&lt;p&gt;oder legen Sie Dateien hier ab. JPEG, PNG, TIFF, WebP und Rohdateien werden gelesen.&lt;br&gt;In Ihre Bilder wird nie geschrieben; der Auftrag liegt in einer Datei neben ihnen.&lt;/p&gt;</translation>
		</message>
		<message>
			<source>A</source>
			<translation>A</translation>
		</message>
		<message>
			<source>A backdrop that changes from frame to frame shows on every page.</source>
			<translation>Ein Hintergrund, der sich von Aufnahme zu Aufnahme ändert, fällt auf jeder Seite auf.</translation>
		</message>
		<message>
			<source>A black without anything in it is a hole, and prints as a shine.</source>
			<translation>Ein Schwarz ohne etwas darin ist ein Loch und druckt als Glanz.</translation>
		</message>
		<message>
			<source>A box took away</source>
			<translation>Ein Kasten nahm weg</translation>
		</message>
		<message>
			<source>A bright or strong patch near the edge leads the eye out.</source>
			<translation>Ein heller oder kräftiger Fleck nahe dem Rand führt das Auge hinaus.</translation>
		</message>
		<message>
			<source>A change made while looking at a frame is that frame's; others keep theirs</source>
			<translation>Eine Änderung beim Ansehen einer Aufnahme gehört dieser; andere behalten ihre</translation>
		</message>
		<message>
			<source>A click takes a range, or the arrow keys and Enter.</source>
			<translation>Ein Klick nimmt einen Bereich, oder Pfeiltasten und Eingabe.</translation>
		</message>
		<message>
			<source>A colour</source>
			<translation>Eine Farbe</translation>
		</message>
		<message>
			<source>A colour by a click on a picture, or typed</source>
			<translation>Eine Farbe mit einem Klick auf ein Bild, oder eingetippt</translation>
		</message>
		<message>
			<source>A colour of %1</source>
			<translation>Eine Farbe von %1</translation>
		</message>
		<message>
			<source>A copy of the chosen look, to go on from</source>
			<translation>Eine Kopie des gewählten Looks, um von ihr weiterzugehen</translation>
		</message>
		<message>
			<source>A dozen of these, with their sources.</source>
			<translation>Ein Dutzend davon, mit ihren Quellen.</translation>
		</message>
		<message>
			<source>A dye at each end lays chroma %1 on the ends and still %2 on the middle greys.</source>
			<translation>Eine Farbe an jedem Ende legt Buntheit %1 auf die Enden und noch %2 auf die mittleren Graufelder.</translation>
		</message>
		<message>
			<source>A face that is softer than what stands behind it is a missed frame.</source>
			<translation>Ein Gesicht, das weicher ist als das, was hinter ihm steht, ist eine verfehlte Aufnahme.</translation>
		</message>
		<message>
			<source>A factor adds most where there is most; the difference is CIEDE2000 (CIE 142-2001).</source>
			<translation>Ein Faktor fügt am meisten hinzu, wo am meisten ist; der Unterschied ist CIEDE2000 (CIE 142-2001).</translation>
		</message>
		<message>
			<source>A factor of 1.3 moves the most muted third by ΔE %1, the strongest by %2.</source>
			<translation>Ein Faktor von 1,3 bewegt das gedämpfteste Drittel um ΔE %1, das kräftigste um %2.</translation>
		</message>
		<message>
			<source>A family</source>
			<translation>Eine Familie</translation>
		</message>
		<message>
			<source>A file came back that is not known: say which frame it is of</source>
			<translation>Eine Datei kam zurück, die nicht bekannt ist: sagen Sie, von welcher Aufnahme sie ist</translation>
		</message>
		<message>
			<source>A flat light area loses its last detail in the next copy or print.</source>
			<translation>Eine glatte helle Fläche verliert beim nächsten Kopieren oder Drucken ihre letzte Zeichnung.</translation>
		</message>
		<message>
			<source>A folder of looks that is shared, say, by a team</source>
			<translation>Ein Ordner mit Looks, den etwa ein Team teilt</translation>
		</message>
		<message>
			<source>A folder of lookup tables</source>
			<translation>Ein Ordner mit Tabellen</translation>
		</message>
		<message>
			<source>A folder of pictures, a job, a look, or pictures.</source>
			<translation>Ein Ordner mit Bildern, ein Auftrag, ein Look oder Bilder.</translation>
		</message>
		<message>
			<source>A folder of the library</source>
			<translation>Ein Ordner der Sammlung</translation>
		</message>
		<message>
			<source>A further part of pictures, by its name</source>
			<translation>Ein weiterer Teil von Bildern, mit seinem Namen</translation>
		</message>
		<message>
			<source>A further picture before and after the same treatment: the fit holds on more colours</source>
			<translation>Noch ein Bild vor und nach derselben Behandlung: die Anpassung hält bei mehr Farben</translation>
		</message>
		<message>
			<source>A horizon that is nearly level looks like a mistake.</source>
			<translation>Ein Horizont, der fast in der Waage ist, sieht wie ein Fehler aus.</translation>
		</message>
		<message>
			<source>A key colour</source>
			<translation>Eine Leitfarbe</translation>
		</message>
		<message>
			<source>A known stage, or one of your own that is ticked by hand</source>
			<translation>Eine bekannte Station oder eine eigene, die von Hand abgehakt wird</translation>
		</message>
		<message>
			<source>A light border round dark things says that a machine was at work.</source>
			<translation>Ein heller Saum um Dunkles verrät, dass eine Maschine am Werk war.</translation>
		</message>
		<message>
			<source>A line on the picture between two states of it; the View menu says which</source>
			<translation>Eine Linie auf dem Bild zwischen zwei Zuständen; das Menü Ansicht sagt, welchen</translation>
		</message>
		<message>
			<source>A line on the picture: as it came on its left, balanced on its right</source>
			<translation>Eine Linie auf dem Bild: links wie es kam, rechts ausgeglichen</translation>
		</message>
		<message>
			<source>A look becomes a look of this job; steps are put after the chosen step (Enter)</source>
			<translation>Ein Look wird ein Look dieses Auftrags; Schritte kommen hinter den gewählten Schritt (Eingabe)</translation>
		</message>
		<message>
			<source>A look has room for %1 roles.</source>
			<translation>Ein Look hat Platz für %1 Rollen.</translation>
		</message>
		<message>
			<source>A lookup table or another look</source>
			<translation>Eine Tabelle oder ein anderer Look</translation>
		</message>
		<message>
			<source>A lookup table or another look: it becomes editable steps</source>
			<translation>Eine Tabelle oder ein anderer Look: wird zu bearbeitbaren Schritten</translation>
		</message>
		<message>
			<source>A name for these %1 frames. Shoot makes sets of any frames.</source>
			<translation>Ein Name für diese %1 Aufnahmen. Serie macht Auswahlen aus beliebigen Aufnahmen.</translation>
		</message>
		<message>
			<source>A name; none parts the group</source>
			<translation>Ein Name; keiner trennt die Gruppe</translation>
		</message>
		<message>
			<source>A neutral that leans is taken for a fault of the light, not for a mood.</source>
			<translation>Ein Neutrales, das sich neigt, gilt als Fehler des Lichts, nicht als Stimmung.</translation>
		</message>
		<message>
			<source>A new version of the look, from this and later entries that are chosen</source>
			<translation>Eine neue Fassung des Looks, aus diesem und späteren Einträgen, die gewählt werden</translation>
		</message>
		<message>
			<source>A number: one just noticeable difference. Step line: what the step did; Enter shows it</source>
			<translation>Eine Zahl: ein eben merklicher Unterschied. Schrittfolge: was der Schritt machte; Eingabe zeigt es</translation>
		</message>
		<message>
			<source>A page of the contact sheet</source>
			<translation>Eine Seite des Kontaktbogens</translation>
		</message>
		<message>
			<source>A part of pictures that steps of a look are for</source>
			<translation>Ein Teil von Bildern, für den Schritte eines Looks da sind</translation>
		</message>
		<message>
			<source>A part of pictures: sky, hands, linen…</source>
			<translation>Ein Teil von Bildern: Himmel, Hände, Leinen …</translation>
		</message>
		<message>
			<source>A part of the history of balances cannot be read</source>
			<translation>Ein Teil der Vorgeschichte des Ausgleichs ist nicht zu lesen</translation>
		</message>
		<message>
			<source>A picture is not where it was. It lies in %1 now, known by its content.</source>
			<translation>Ein Bild ist nicht, wo es war. Es liegt jetzt in %1, an seinem Inhalt erkannt.</translation>
		</message>
		<message>
			<source>A picture is not where it was: %1. Its work is kept.</source>
			<translation>Ein Bild ist nicht, wo es war: %1. Seine Arbeit ist festgehalten.</translation>
		</message>
		<message>
			<source>A picture with the colour</source>
			<translation>Ein Bild mit der Farbe</translation>
		</message>
		<message>
			<source>A pin for later, at its place; hand over asks about it</source>
			<translation>Ein Merker für später, an seiner Stelle; die Übergabe fragt danach</translation>
		</message>
		<message>
			<source>A place is marked. Which family of hues owns its colour, so which one would move it?</source>
			<translation>Eine Stelle ist markiert. Welcher Farbtonfamilie gehört ihre Farbe, welche würde sie also bewegen?</translation>
		</message>
		<message>
			<source>A profile file…</source>
			<translation>Eine Profildatei …</translation>
		</message>
		<message>
			<source>A question goes beside the files of the first recipe; what is answered arrives as pins</source>
			<translation>Neben den Dateien des ersten Rezepts liegt eine Frage; was geantwortet wird, kommt als Merker an</translation>
		</message>
		<message>
			<source>A set</source>
			<translation>Eine Auswahl</translation>
		</message>
		<message>
			<source>A set of the %1 chosen frames…</source>
			<translation>Eine Auswahl aus den %1 gewählten Aufnahmen …</translation>
		</message>
		<message>
			<source>A set of the chosen frame…</source>
			<translation>Eine Auswahl aus der gewählten Aufnahme …</translation>
		</message>
		<message>
			<source>A smooth table for what the steps cannot say; it cannot be edited</source>
			<translation>Eine glatte Tabelle für das, was die Schritte nicht sagen können; sie lässt sich nicht bearbeiten</translation>
		</message>
		<message>
			<source>A snapshot of the room, of cloth or props; it can be dropped here</source>
			<translation>Ein Foto des Raums, von Stoff oder Requisiten; es kann hierher gezogen werden</translation>
		</message>
		<message>
			<source>A step of hue shifts after %1</source>
			<translation>Ein Schritt Farbtonverschiebungen nach %1</translation>
		</message>
		<message>
			<source>A strong colour outside the plan draws the eye to it.</source>
			<translation>Eine kräftige Farbe außerhalb des Plans zieht das Auge auf sich.</translation>
		</message>
		<message>
			<source>A subject that sinks into its ground is no longer what the picture is of.</source>
			<translation>Ein Gegenstand, der in seinem Grund versinkt, ist nicht mehr das, wovon das Bild handelt.</translation>
		</message>
		<message>
			<source>A table knows a colour and not its place, and is straight between its points.</source>
			<translation>Eine Tabelle kennt eine Farbe und nicht ihren Ort, und ist gerade zwischen ihren Punkten.</translation>
		</message>
		<message>
			<source>A3</source>
			<translation>A3</translation>
		</message>
		<message>
			<source>A4</source>
			<translation>A4</translation>
		</message>
		<message>
			<source>About</source>
			<translation>Worum</translation>
		</message>
		<message>
			<source>About three minutes; Escape ends it</source>
			<translation>Etwa drei Minuten; Esc beendet</translation>
		</message>
		<message>
			<source>About which step</source>
			<translation>Zu welchem Schritt</translation>
		</message>
		<message>
			<source>Above 0 greener, below more magenta</source>
			<translation>Über 0 grüner, darunter mehr Magenta</translation>
		</message>
		<message>
			<source>Above 0 lifts a veil, below 0 lays one</source>
			<translation>Über 0 lichtet es einen Schleier, unter 0 legt es einen</translation>
		</message>
		<message>
			<source>Accept</source>
			<translation>Hinnehmen</translation>
		</message>
		<message>
			<source>Accept the finding</source>
			<translation>Den Befund hinnehmen</translation>
		</message>
		<message>
			<source>Accepted: %1</source>
			<translation>Hingenommen: %1</translation>
		</message>
		<message>
			<source>Accept…</source>
			<translation>Hinnehmen …</translation>
		</message>
		<message>
			<source>Across</source>
			<translation>Quer</translation>
		</message>
		<message>
			<source>Adaptation moves every colour: CAT16, C. Li et al., Color Res. Appl. 42(6), 2017.</source>
			<translation>Umstimmung bewegt jede Farbe: CAT16, C. Li u. a., Color Res. Appl. 42(6), 2017.</translation>
		</message>
		<message>
			<source>Add</source>
			<translation>Hinzufügen</translation>
		</message>
		<message>
			<source>Add a folder…</source>
			<translation>Ordner hinzufügen …</translation>
		</message>
		<message>
			<source>Add a pair…</source>
			<translation>Paar hinzufügen …</translation>
		</message>
		<message>
			<source>Add a step</source>
			<translation>Einen Schritt hinzufügen</translation>
		</message>
		<message>
			<source>Add a step, drag it to another place, switch it off; the bench below edits the chosen one.</source>
			<translation>Einen Schritt hinzufügen, an einen anderen Platz ziehen, ausschalten; die Werkbank darunter bearbeitet den gewählten.</translation>
		</message>
		<message>
			<source>Add or take away with box, ellipse, outline, ramp, brush, or by colour.</source>
			<translation>Mit Kasten, Ellipse, Umriss, Verlauf, Pinsel oder nach Farbe hinzufügen oder wegnehmen.</translation>
		</message>
		<message>
			<source>Add the chosen frames</source>
			<translation>Gewählte Aufnahmen hinzufügen</translation>
		</message>
		<message>
			<source>Add to this look</source>
			<translation>Diesem Look hinzufügen</translation>
		</message>
		<message>
			<source>Added to the family's lightness on the tone axis</source>
			<translation>Zur Helligkeit der Familie auf der Tonachse addiert</translation>
		</message>
		<message>
			<source>Adds</source>
			<translation>Fügt hinzu</translation>
		</message>
		<message>
			<source>Adds it to this frame's balance; Ctrl+Z takes it back</source>
			<translation>Fügt sie zum Ausgleich dieser Aufnahme hinzu; Strg+Z nimmt sie zurück</translation>
		</message>
		<message>
			<source>Adds the frame in hand to the reference frames of this look, or takes it off</source>
			<translation>Nimmt die Aufnahme in Arbeit zu den Vorlagen dieses Looks oder wieder weg</translation>
		</message>
		<message>
			<source>Add…</source>
			<translation>Hinzufügen …</translation>
		</message>
		<message>
			<source>After this step</source>
			<translation>Nach diesem Schritt</translation>
		</message>
		<message>
			<source>Against the look as it is now: ΔE00 mean %1, at most %2.</source>
			<translation>Gegen den Look, wie er jetzt ist: ΔE00 im Mittel %1, höchstens %2.</translation>
		</message>
		<message>
			<source>Ahead</source>
			<translation>Bevor</translation>
		</message>
		<message>
			<source>All</source>
			<translation>Alle</translation>
		</message>
		<message>
			<source>All down to it</source>
			<translation>Alle bis zu ihr</translation>
		</message>
		<message>
			<source>All frames</source>
			<translation>Alle Aufnahmen</translation>
		</message>
		<message>
			<source>All frames are done.</source>
			<translation>Alle Aufnahmen sind erledigt.</translation>
		</message>
		<message>
			<source>All frames of the job: what they are, which were lit alike, and how far they are.</source>
			<translation>Alle Aufnahmen des Auftrags: was sie sind, welche gleich beleuchtet waren und wie weit sie sind.</translation>
		</message>
		<message>
			<source>All frames of this light have it, whichever they are</source>
			<translation>Alle Aufnahmen dieses Lichts haben ihn, welche es auch sind</translation>
		</message>
		<message>
			<source>All frames that have none of their own</source>
			<translation>Alle Aufnahmen ohne eigenen</translation>
		</message>
		<message>
			<source>All hues</source>
			<translation>Alle Farbtöne</translation>
		</message>
		<message>
			<source>All is done.</source>
			<translation>Alles ist getan.</translation>
		</message>
		<message>
			<source>All is well.</source>
			<translation>Alles in Ordnung.</translation>
		</message>
		<message>
			<source>All is well. %1.</source>
			<translation>Alles in Ordnung. %1.</translation>
		</message>
		<message>
			<source>All keys</source>
			<translation>Alle Tasten</translation>
		</message>
		<message>
			<source>All lights</source>
			<translation>Alle Lichter</translation>
		</message>
		<message>
			<source>All lights (%1)</source>
			<translation>Alle Lichter (%1)</translation>
		</message>
		<message>
			<source>All looks of the job</source>
			<translation>Alle Looks des Auftrags</translation>
		</message>
		<message>
			<source>All looks of this job on the frame in hand</source>
			<translation>Alle Looks dieses Auftrags auf der Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>All notes</source>
			<translation>Alle Sätze</translation>
		</message>
		<message>
			<source>All pins</source>
			<translation>Alle Merker</translation>
		</message>
		<message>
			<source>All travels</source>
			<translation>Alles reist</translation>
		</message>
		<message>
			<source>An Ends step last in the look: white keeps a little ink, and without black point compensation black lands on the deepest the ink gives</source>
			<translation>Ein Schritt Enden zuletzt im Look: Weiß behält ein wenig Farbe, und ohne Schwarzpunktausgleich landet Schwarz auf dem Tiefsten, das die Druckfarbe gibt</translation>
		</message>
		<message>
			<source>An S of slope 1.4 makes chroma %1 times as strong here and turns hues by up to %2°; on lightness alone %3 times.</source>
			<translation>Ein S mit Steigung 1,4 macht die Buntheit hier %1-mal so stark und dreht Farbtöne um bis zu %2°; nur auf der Helligkeit %3-mal.</translation>
		</message>
		<message>
			<source>An area of a frame cannot be read</source>
			<translation>Ein Bereich einer Aufnahme ist nicht zu lesen</translation>
		</message>
		<message>
			<source>And how far?</source>
			<translation>Und wie weit?</translation>
		</message>
		<message>
			<source>Another</source>
			<translation>Anderer</translation>
		</message>
		<message>
			<source>Another frame was taken in hand meanwhile. Ask for it again.</source>
			<translation>Inzwischen wurde eine andere Aufnahme in Arbeit genommen. Verlangen Sie es noch einmal.</translation>
		</message>
		<message>
			<source>Another number, another grain; the same number, the same grain</source>
			<translation>Eine andere Zahl, ein anderes Korn; dieselbe Zahl, dasselbe Korn</translation>
		</message>
		<message>
			<source>Another of what was offered</source>
			<translation>Ein anderer Vorschlag</translation>
		</message>
		<message>
			<source>Another of what was offered (A)</source>
			<translation>Ein anderer Vorschlag (A)</translation>
		</message>
		<message>
			<source>Another offer</source>
			<translation>Ein anderer Vorschlag</translation>
		</message>
		<message>
			<source>Another picture</source>
			<translation>Ein anderes Bild</translation>
		</message>
		<message>
			<source>Another profile…</source>
			<translation>Ein anderes Profil …</translation>
		</message>
		<message>
			<source>Another value on</source>
			<translation>Ein anderer Wert auf</translation>
		</message>
		<message>
			<source>Answer</source>
			<translation>Antworten</translation>
		</message>
		<message>
			<source>Answer of the client</source>
			<translation>Antwort des Kunden</translation>
		</message>
		<message>
			<source>Answered</source>
			<translation>Geantwortet</translation>
		</message>
		<message>
			<source>Answers (*.json)</source>
			<translation>Antworten (*.json)</translation>
		</message>
		<message>
			<source>Answers, pins</source>
			<translation>Antworten, Merker</translation>
		</message>
		<message>
			<source>Any rating</source>
			<translation>Jede Wertung</translation>
		</message>
		<message>
			<source>Approved</source>
			<translation>Freigegeben</translation>
		</message>
		<message>
			<source>Archive</source>
			<translation>Archiv</translation>
		</message>
		<message>
			<source>Area confirmed</source>
			<translation>Bereich bestätigt</translation>
		</message>
		<message>
			<source>Area drawn</source>
			<translation>Bereich gezeichnet</translation>
		</message>
		<message>
			<source>Area from a box</source>
			<translation>Bereich aus einem Kasten</translation>
		</message>
		<message>
			<source>Area inverted</source>
			<translation>Bereich umgekehrt</translation>
		</message>
		<message>
			<source>Area placed</source>
			<translation>Bereich gesetzt</translation>
		</message>
		<message>
			<source>Area refused</source>
			<translation>Bereich abgelehnt</translation>
		</message>
		<message>
			<source>Area set right</source>
			<translation>Bereich berichtigt</translation>
		</message>
		<message>
			<source>Area taken off</source>
			<translation>Bereich entfernt</translation>
		</message>
		<message>
			<source>Areas</source>
			<translation>Bereiche</translation>
		</message>
		<message>
			<source>Areas found</source>
			<translation>Bereiche gefunden</translation>
		</message>
		<message>
			<source>Areas: confirm, refuse, not in this frame; J goes to the next, A to another offer</source>
			<translation>Bereiche: bestätigen, ablehnen, nicht auf dieser Aufnahme; J geht zur nächsten, A zu einem anderen Vorschlag</translation>
		</message>
		<message>
			<source>Areas: thing, box, ramp, ellipse, outline, colours, brush; brackets change the radius, Shift takes away</source>
			<translation>Bereiche: Gegenstand, Kasten, Verlauf, Ellipse, Umriss, Farben, Pinsel; Klammern ändern den Radius, Umschalt nimmt weg</translation>
		</message>
		<message>
			<source>Arrow keys move it, Home gives the usual sizes</source>
			<translation>Pfeiltasten bewegen ihn, Pos1 stellt die üblichen Größen her</translation>
		</message>
		<message>
			<source>Arrow keys slide it, with Shift they change its size; G changes the guide; Enter ends</source>
			<translation>Pfeiltasten schieben ihn, mit Umschalt ändern sie seine Größe; G wechselt die Hilfslinien; Eingabe beendet</translation>
		</message>
		<message>
			<source>Arrows</source>
			<translation>Pfeile</translation>
		</message>
		<message>
			<source>Arrows move the chosen handle, with Shift by ten steps. Page Up and Page Down choose another, Insert adds, Delete removes, Home resets.</source>
			<translation>Pfeile bewegen den gewählten Griff, mit Umschalt um zehn Stufen. Bild auf und Bild ab wählen einen anderen, Einfg fügt hinzu, Entf entfernt, Pos 1 setzt zurück.</translation>
		</message>
		<message>
			<source>Arrows on the picture</source>
			<translation>Pfeile auf dem Bild</translation>
		</message>
		<message>
			<source>As PDF, at 300 pixels an inch; or as one JPEG</source>
			<translation>Als PDF, mit 300 Pixeln je Zoll; oder als ein JPEG</translation>
		</message>
		<message>
			<source>As a table of 33 this look is off by ΔE %1 on average and %2 at most on this frame; %3 of its steps cannot travel.</source>
			<translation>Als Tabelle mit 33 liegt dieser Look auf dieser Aufnahme im Mittel um ΔE %1 daneben, höchstens um %2; %3 seiner Schritte können nicht reisen.</translation>
		</message>
		<message>
			<source>As all frames</source>
			<translation>Wie alle Aufnahmen</translation>
		</message>
		<message>
			<source>As it came</source>
			<translation>Wie es kam</translation>
		</message>
		<message>
			<source>As it is handed over</source>
			<translation>Wie übergeben wird</translation>
		</message>
		<message>
			<source>As it is now</source>
			<translation>Wie es jetzt ist</translation>
		</message>
		<message>
			<source>As it travels</source>
			<translation>Wie er reist</translation>
		</message>
		<message>
			<source>As it was</source>
			<translation>Wie es war</translation>
		</message>
		<message>
			<source>As its light</source>
			<translation>Wie ihr Licht</translation>
		</message>
		<message>
			<source>As its next version</source>
			<translation>Als nächste Fassung</translation>
		</message>
		<message>
			<source>As opened</source>
			<translation>Wie geöffnet</translation>
		</message>
		<message>
			<source>As shipped</source>
			<translation>Wie geliefert</translation>
		</message>
		<message>
			<source>As shot</source>
			<translation>Kamera</translation>
		</message>
		<message>
			<source>As they came</source>
			<translation>Wie sie kamen</translation>
		</message>
		<message>
			<source>Ask later</source>
			<translation>Später fragen</translation>
		</message>
		<message>
			<source>Ask the client; remarks come back as pins.</source>
			<translation>Den Kunden fragen; Bemerkungen kommen als Merker zurück.</translation>
		</message>
		<message>
			<source>Asked</source>
			<translation>Gefragt</translation>
		</message>
		<message>
			<source>At no strength from 0 to 2 do %1 and %2 measure alike on this frame.</source>
			<translation>Bei keiner Stärke von 0 bis 2 messen %1 und %2 auf dieser Aufnahme gleich.</translation>
		</message>
		<message>
			<source>B</source>
			<translation>B</translation>
		</message>
		<message>
			<source>Back</source>
			<translation>Zurück</translation>
		</message>
		<message>
			<source>Back to %1</source>
			<translation>Zurück zu %1</translation>
		</message>
		<message>
			<source>Back to the wall</source>
			<translation>Zurück zur Wand</translation>
		</message>
		<message>
			<source>Balance</source>
			<translation>Ausgleich</translation>
		</message>
		<message>
			<source>Balance as any part</source>
			<translation>Im Ausgleich wie alles</translation>
		</message>
		<message>
			<source>Balance by %1</source>
			<translation>Ausgleich nach %1</translation>
		</message>
		<message>
			<source>Balance from another frame</source>
			<translation>Ausgleich aus einer anderen Aufnahme</translation>
		</message>
		<message>
			<source>Balance locked</source>
			<translation>Ausgleich gesperrt</translation>
		</message>
		<message>
			<source>Balance of %1 frames</source>
			<translation>Ausgleich von %1 Aufnahmen</translation>
		</message>
		<message>
			<source>Balance of 1 frame</source>
			<translation>Ausgleich von 1 Aufnahme</translation>
		</message>
		<message>
			<source>Balance on this</source>
			<translation>Ausgleich hierauf</translation>
		</message>
		<message>
			<source>Balance taken off a frame</source>
			<translation>Ausgleich von einer Aufnahme genommen</translation>
		</message>
		<message>
			<source>Balance unlocked</source>
			<translation>Ausgleich entsperrt</translation>
		</message>
		<message>
			<source>Balance unsure</source>
			<translation>Ausgleich unsicher</translation>
		</message>
		<message>
			<source>Balance without this</source>
			<translation>Ausgleich ohne dies</translation>
		</message>
		<message>
			<source>Balance, held while dragging on the picture: exposure, white, tint, dark end, light end</source>
			<translation>Ausgleich, beim Ziehen auf dem Bild gehalten: Belichtung, Weiß, Tönung, dunkles Ende, helles Ende</translation>
		</message>
		<message>
			<source>Balance: with the look, or without</source>
			<translation>Ausgleich: mit dem Look oder ohne</translation>
		</message>
		<message>
			<source>Balanced</source>
			<translation>Ausgeglichen</translation>
		</message>
		<message>
			<source>Balanced, without the look (B)</source>
			<translation>Ausgeglichen, ohne den Look (B)</translation>
		</message>
		<message>
			<source>Banding</source>
			<translation>Streifenbildung</translation>
		</message>
		<message>
			<source>Bare paper</source>
			<translation>Blankes Papier</translation>
		</message>
		<message>
			<source>Before</source>
			<translation>Vorher</translation>
		</message>
		<message>
			<source>Before and after…</source>
			<translation>Vorher und nachher …</translation>
		</message>
		<message>
			<source>Before anything is written, what stops and what is only said is listed.</source>
			<translation>Bevor etwas geschrieben wird, steht da, was aufhält und was nur gesagt wird.</translation>
		</message>
		<message>
			<source>Before this step</source>
			<translation>Vor diesem Schritt</translation>
		</message>
		<message>
			<source>Before you judge</source>
			<translation>Bevor Sie urteilen</translation>
		</message>
		<message>
			<source>Before: %1</source>
			<translation>Vorher: %1</translation>
		</message>
		<message>
			<source>Begin another look</source>
			<translation>Einen anderen Look beginnen</translation>
		</message>
		<message>
			<source>Begin ten rounds</source>
			<translation>Zehn Runden beginnen</translation>
		</message>
		<message>
			<source>Begin, next</source>
			<translation>Beginnen, weiter</translation>
		</message>
		<message>
			<source>Beginning…</source>
			<translation>Beginnt …</translation>
		</message>
		<message>
			<source>Bench and step line: add, remove</source>
			<translation>Werkbank und Schrittfolge: hinzufügen, entfernen</translation>
		</message>
		<message>
			<source>Bench: choose another handle</source>
			<translation>Werkbank: einen anderen Griff wählen</translation>
		</message>
		<message>
			<source>Bench: move the chosen handle by ten steps</source>
			<translation>Werkbank: den gewählten Griff um zehn Stufen bewegen</translation>
		</message>
		<message>
			<source>Bench: put the chosen handle back</source>
			<translation>Werkbank: den gewählten Griff zurücksetzen</translation>
		</message>
		<message>
			<source>Bench: the chosen step</source>
			<translation>Werkbank: der gewählte Schritt</translation>
		</message>
		<message>
			<source>Bends the strongest colours so that none passes the ceiling</source>
			<translation>Biegt die kräftigsten Farben so, dass keine über die Decke kommt</translation>
		</message>
		<message>
			<source>Beside it</source>
			<translation>Daneben</translation>
		</message>
		<message>
			<source>Besides, by place: %1.</source>
			<translation>Dazu, nach Ort: %1.</translation>
		</message>
		<message>
			<source>Black end</source>
			<translation>Schwarzes Ende</translation>
		</message>
		<message>
			<source>Black point</source>
			<translation>Schwarzpunkt</translation>
		</message>
		<message>
			<source>Black point compensation</source>
			<translation>Schwarzpunktausgleich</translation>
		</message>
		<message>
			<source>Black point compensation: the picture's black is laid on the deepest the ink gives</source>
			<translation>Schwarzpunktausgleich: das Schwarz des Bildes liegt auf dem Tiefsten, das die Druckfarbe gibt</translation>
		</message>
		<message>
			<source>Blind: hide numbers</source>
			<translation>Blind: Zahlen verbergen</translation>
		</message>
		<message>
			<source>Blocked blacks</source>
			<translation>Zugelaufenes Schwarz</translation>
		</message>
		<message>
			<source>Blue</source>
			<translation>Blau</translation>
		</message>
		<message>
			<source>Bookmark</source>
			<translation>Merken</translation>
		</message>
		<message>
			<source>Border of a pane</source>
			<translation>Rand eines Feldes</translation>
		</message>
		<message>
			<source>Both show the same thing: Take all goes by its colours.</source>
			<translation>Beide zeigen dasselbe: Alles übernehmen geht nach seinen Farben.</translation>
		</message>
		<message>
			<source>Bow of a lens</source>
			<translation>Wölbung eines Objektivs</translation>
		</message>
		<message>
			<source>Bow, fringes and falloff by the lens file; off when it is the wrong lens</source>
			<translation>Wölbung, Farbsäume und Randabfall nach der Objektivdatei; aus, wenn es das falsche Objektiv ist</translation>
		</message>
		<message>
			<source>Box</source>
			<translation>Kasten</translation>
		</message>
		<message>
			<source>Bracket merged</source>
			<translation>Belichtungsreihe vereinigt</translation>
		</message>
		<message>
			<source>Bracket of %1</source>
			<translation>Belichtungsreihe von %1</translation>
		</message>
		<message>
			<source>Brackets, duplicates, lost pictures and colour cards are told; nothing is changed without you.</source>
			<translation>Belichtungsreihen, Doppeltes, verlorene Bilder und Farbkarten werden genannt; nichts ändert sich ohne Sie.</translation>
		</message>
		<message>
			<source>Bracket…</source>
			<translation>Reihe …</translation>
		</message>
		<message>
			<source>Brightness drift</source>
			<translation>Helligkeitsdrift</translation>
		</message>
		<message>
			<source>Brightness: 80 to 160 cd/m² for white, set once and left.</source>
			<translation>Leuchtdichte: 80 bis 160 cd/m² für Weiß, einmal eingestellt und gelassen.</translation>
		</message>
		<message>
			<source>Bring every frame onto one footing before the look: light, white, ends, lens, crop.</source>
			<translation>Jede Aufnahme vor dem Look auf einen Stand bringen: Licht, Weiß, Enden, Objektiv, Ausschnitt.</translation>
		</message>
		<message>
			<source>Bring in</source>
			<translation>Hereinholen</translation>
		</message>
		<message>
			<source>Bring in a look from a file</source>
			<translation>Einen Look aus einer Datei hereinholen</translation>
		</message>
		<message>
			<source>Bring in…</source>
			<translation>Hereinholen …</translation>
		</message>
		<message>
			<source>Bring pictures in</source>
			<translation>Bilder hereinholen</translation>
		</message>
		<message>
			<source>Bringing pictures in was stopped by opening another job. What was copied is kept; open that job and bring them in again.</source>
			<translation>Das Hereinholen wurde angehalten, weil ein anderer Auftrag geöffnet wurde. Was kopiert ist, bleibt; öffnen Sie jenen Auftrag und holen Sie die Bilder noch einmal herein.</translation>
		</message>
		<message>
			<source>Brings the chosen row to the reference (Enter)</source>
			<translation>Bringt die gewählte Zeile zur Vorlage (Eingabe)</translation>
		</message>
		<message>
			<source>Brush</source>
			<translation>Pinsel</translation>
		</message>
		<message>
			<source>Brush added</source>
			<translation>Pinsel fügte hinzu</translation>
		</message>
		<message>
			<source>Brush took away</source>
			<translation>Pinsel nahm weg</translation>
		</message>
		<message>
			<source>Budget a frame</source>
			<translation>Vorgabe je Aufnahme</translation>
		</message>
		<message>
			<source>Budget, %1</source>
			<translation>Vorgabe, %1</translation>
		</message>
		<message>
			<source>Build the look from steps, on one frame with others beside it. Every step shows what it did.</source>
			<translation>Bauen Sie den Look aus Schritten, an einer Aufnahme mit anderen daneben. Jeder Schritt zeigt, was er machte.</translation>
		</message>
		<message>
			<source>By %1 uprights and %2 levels.</source>
			<translation>Nach %1 Senkrechten und %2 Waagrechten.</translation>
		</message>
		<message>
			<source>By camera, lens, focal length and aperture of the file</source>
			<translation>Nach Kamera, Objektiv, Brennweite und Blende der Datei</translation>
		</message>
		<message>
			<source>By light</source>
			<translation>Nach Licht</translation>
		</message>
		<message>
			<source>By look</source>
			<translation>Nach Look</translation>
		</message>
		<message>
			<source>By place: not in a lookup table</source>
			<translation>Nach Ort: nicht in einer Tabelle</translation>
		</message>
		<message>
			<source>By rating</source>
			<translation>Nach Wertung</translation>
		</message>
		<message>
			<source>By the edges of this frame</source>
			<translation>Nach den Kanten dieser Aufnahme</translation>
		</message>
		<message>
			<source>By time</source>
			<translation>Nach Zeit</translation>
		</message>
		<message>
			<source>C</source>
			<translation>C</translation>
		</message>
		<message>
			<source>CDL</source>
			<translation>CDL</translation>
		</message>
		<message>
			<source>CIEDE2000 to the lead of the light; tolerance %1. 95 % of the frames lie within %2; as they came within %3</source>
			<translation>CIEDE2000 zur Leitaufnahme des Lichts; Toleranz %1. 95 % der Aufnahmen liegen innerhalb %2; wie sie kamen, innerhalb %3</translation>
		</message>
		<message>
			<source>CMYK pictures are not read: convert it to RGB first</source>
			<translation>CMYK-Bilder werden nicht gelesen: wandeln Sie es zuerst in RGB um</translation>
		</message>
		<message>
			<source>Cancel</source>
			<translation>Abbrechen</translation>
		</message>
		<message>
			<source>Cancelled. Bring in again to go on; what is there is not copied twice.</source>
			<translation>Abgebrochen. Mit Hereinholen geht es weiter; was da ist, wird nicht zweimal kopiert.</translation>
		</message>
		<message>
			<source>Cannot be read</source>
			<translation>Nicht zu lesen</translation>
		</message>
		<message>
			<source>Card</source>
			<translation>Karte</translation>
		</message>
		<message>
			<source>Carry</source>
			<translation>Übertragen</translation>
		</message>
		<message>
			<source>Carry the match to all lights</source>
			<translation>Den Abgleich auf alle Lichter tragen</translation>
		</message>
		<message>
			<source>Carry the tint into pure black</source>
			<translation>Trägt die Tonung bis ins reine Schwarz</translation>
		</message>
		<message>
			<source>Carry the tint into pure white, so that a print has ink there</source>
			<translation>Trägt die Tonung bis ins reine Weiß, damit ein Druck dort Farbe hat</translation>
		</message>
		<message>
			<source>Cast in darks</source>
			<translation>Stich, Tiefen</translation>
		</message>
		<message>
			<source>Cast in lights</source>
			<translation>Stich, Lichter</translation>
		</message>
		<message>
			<source>Cast in middles</source>
			<translation>Stich, Mitten</translation>
		</message>
		<message>
			<source>Casts</source>
			<translation>Farbstiche</translation>
		</message>
		<message>
			<source>Change</source>
			<translation>Änderung</translation>
		</message>
		<message>
			<source>Change, ΔE</source>
			<translation>Änderung, ΔE</translation>
		</message>
		<message>
			<source>Changed afterwards</source>
			<translation>Nachträglich geändert</translation>
		</message>
		<message>
			<source>Changed since it was measured.</source>
			<translation>Seit der Messung geändert.</translation>
		</message>
		<message>
			<source>Check</source>
			<translation>Prüfen</translation>
		</message>
		<message>
			<source>Check measures %1 frames as they will be handed over.</source>
			<translation>Prüfen misst %1 Aufnahmen, wie sie übergeben werden.</translation>
		</message>
		<message>
			<source>Checks</source>
			<translation>Prüfungen</translation>
		</message>
		<message numerus="yes">
			<source>Checks for %1 found something on %n frames.</source>
			<translation>
				<numerusform>Die Prüfungen für %1 fanden etwas auf %n Aufnahme.</numerusform>
				<numerusform>Die Prüfungen für %1 fanden etwas auf %n Aufnahmen.</numerusform>
			</translation>
		</message>
		<message>
			<source>Checks for %1 were not run on these frames as they are now.</source>
			<translation>Die Prüfungen für %1 liefen nicht über diese Aufnahmen, wie sie jetzt sind.</translation>
		</message>
		<message>
			<source>Checks for a use: each finding with its value, its limit, its place and a cure to try.</source>
			<translation>Prüfungen für einen Zweck: jeder Befund mit Wert, Grenze, Stelle und einer Abhilfe zum Versuchen.</translation>
		</message>
		<message>
			<source>Checks: frames by checks</source>
			<translation>Prüfungen: Aufnahmen nach Prüfungen</translation>
		</message>
		<message>
			<source>Checks: the next finding, the one before</source>
			<translation>Prüfungen: der nächste Befund, der davor</translation>
		</message>
		<message>
			<source>Choose a cell to see both colours, side by side and in place.</source>
			<translation>Wählen Sie ein Feld, um beide Farben nebeneinander und an ihrer Stelle zu sehen.</translation>
		</message>
		<message>
			<source>Choose a folder for the files first.</source>
			<translation>Wählen Sie zuerst einen Ordner für die Dateien.</translation>
		</message>
		<message>
			<source>Choose a picture…</source>
			<translation>Bild wählen …</translation>
		</message>
		<message>
			<source>Choose a role and let it be found; confirm, refuse, or draw it by hand.</source>
			<translation>Eine Rolle wählen und finden lassen; bestätigen, ablehnen oder von Hand zeichnen.</translation>
		</message>
		<message>
			<source>Choose an entry.</source>
			<translation>Wählen Sie einen Eintrag.</translation>
		</message>
		<message>
			<source>Choose another lookup table (.cube, .clf, 16-bit Hald .png, .cc, .ccc or .cdl)</source>
			<translation>Eine andere Tabelle wählen (.cube, .clf, Hald-.png mit 16 Bit, .cc, .ccc oder .cdl)</translation>
		</message>
		<message>
			<source>Choose finished pictures, a frame of this job, a pair before and after, or a lookup table. What is found becomes steps of the look.</source>
			<translation>Wählen Sie fertige Bilder, eine Aufnahme dieses Auftrags, ein Paar vorher und nachher oder eine Tabelle. Was gefunden wird, wird zu Schritten des Looks.</translation>
		</message>
		<message>
			<source>Choose its frames</source>
			<translation>Ihre Aufnahmen wählen</translation>
		</message>
		<message>
			<source>Choose or drop a snapshot of the place, of cloth or props.</source>
			<translation>Wählen Sie ein Foto des Ortes, von Stoff oder Requisiten, oder ziehen Sie es hierher.</translation>
		</message>
		<message>
			<source>Choose…</source>
			<translation>Wählen …</translation>
		</message>
		<message>
			<source>Chosen frames with a name, as those that show one costume</source>
			<translation>Gewählte Aufnahmen mit einem Namen, etwa die mit einem Kostüm</translation>
		</message>
		<message>
			<source>Chosen: set alike</source>
			<translation>Gewählte: gleich setzen</translation>
		</message>
		<message>
			<source>Chosen: shift alike</source>
			<translation>Gewählte: gleich verschieben</translation>
		</message>
		<message>
			<source>Chroma</source>
			<translation>Buntheit</translation>
		</message>
		<message>
			<source>Chroma at %1 % about hue %2°, last in the look, on this frame</source>
			<translation>Buntheit %1 % um den Farbton %2°, zuletzt im Look, bei dieser Aufnahme</translation>
		</message>
		<message>
			<source>Chroma of the chosen colour</source>
			<translation>Buntheit der gewählten Farbe</translation>
		</message>
		<message>
			<source>Chroma of the sampled colour</source>
			<translation>Buntheit der abgetasteten Farbe</translation>
		</message>
		<message>
			<source>Chroma that the family's colours do not pass; 0.4 none</source>
			<translation>Buntheit, über die die Farben der Familie nicht kommen; 0,4 keine</translation>
		</message>
		<message>
			<source>Clear the search</source>
			<translation>Die Suche leeren</translation>
		</message>
		<message>
			<source>Click along something that is straight in the scene; Enter ends the line. Several lines make it surer</source>
			<translation>An etwas entlang klicken, das in der Szene gerade ist; Eingabe endet die Linie. Mehrere Linien machen es sicherer</translation>
		</message>
		<message>
			<source>Click colours or drag a box over them; more clicks widen the range, with Shift one is taken away (C)</source>
			<translation>Farben anklicken oder einen Kasten darüber ziehen; weitere Klicks weiten den Umfang, mit Umschalt fällt eine weg (C)</translation>
		</message>
		<message>
			<source>Click its place on the picture (%1); on a step, its menu in the step line</source>
			<translation>Seine Stelle auf dem Bild anklicken (%1); auf einem Schritt dessen Menü in der Schrittfolge</translation>
		</message>
		<message>
			<source>Click on the colour, or drag over a patch of it.</source>
			<translation>Klicken Sie auf die Farbe, oder ziehen Sie über eine Fläche davon.</translation>
		</message>
		<message>
			<source>Click round a thing; Enter, a double click or the first point closes it (O)</source>
			<translation>Um einen Gegenstand klicken; Eingabe, ein Doppelklick oder der erste Punkt schließt (O)</translation>
		</message>
		<message>
			<source>Click takes a frame in hand. C or Ctrl+click makes it a companion, 1 to 5 rate it, B shows its bracket, D ticks it off. Enter goes to its look.</source>
			<translation>Ein Klick nimmt eine Aufnahme in Arbeit. C oder Strg+Klick macht sie zum Begleiter, 1 bis 5 wertet sie, B zeigt ihre Belichtungsreihe, D hakt sie ab. Eingabe geht zu ihrem Look.</translation>
		</message>
		<message>
			<source>Click to add a point, drag it up for lighter and down for darker, double-click to put it back on the line</source>
			<translation>Klicken fügt einen Punkt hinzu, nach oben ziehen hellt auf, nach unten dunkelt ab, ein Doppelklick legt ihn auf die Linie zurück</translation>
		</message>
		<message>
			<source>Click to edit a step, drag to reorder, click the mark to switch it off</source>
			<translation>Klicken bearbeitet einen Schritt, ziehen ordnet um, ein Klick auf die Marke schaltet ihn aus</translation>
		</message>
		<message>
			<source>Click what should be neutral; several places make a mean</source>
			<translation>Anklicken, was neutral sein soll; mehrere Stellen ergeben ein Mittel</translation>
		</message>
		<message>
			<source>Click, or drag a region, on the picture of this frame</source>
			<translation>Auf dem Bild dieser Aufnahme klicken oder ein Feld ziehen</translation>
		</message>
		<message>
			<source>Client view</source>
			<translation>Kundenansicht</translation>
		</message>
		<message>
			<source>Client view · %1</source>
			<translation>Kundenansicht · %1</translation>
		</message>
		<message>
			<source>Client view: the frame alone in a window</source>
			<translation>Kundenansicht: die Aufnahme allein in einem Fenster</translation>
		</message>
		<message>
			<source>Clipped</source>
			<translation>Beschnitt</translation>
		</message>
		<message>
			<source>Close</source>
			<translation>Schließen</translation>
		</message>
		<message>
			<source>Colour</source>
			<translation>Farbe</translation>
		</message>
		<message>
			<source>Colour and noise</source>
			<translation>Farbe und Rauschen</translation>
		</message>
		<message>
			<source>Colour noise</source>
			<translation>Farbrauschen</translation>
		</message>
		<message>
			<source>Colour picked</source>
			<translation>Farbe aufgenommen</translation>
		</message>
		<message>
			<source>Colour plan</source>
			<translation>Farbplan</translation>
		</message>
		<message>
			<source>Colours</source>
			<translation>Farben</translation>
		</message>
		<message>
			<source>Colours past what can be shown flatten into patches without shape.</source>
			<translation>Farben über das Zeigbare hinaus werden zu Flächen ohne Form.</translation>
		</message>
		<message>
			<source>Colours picked</source>
			<translation>Farben aufgenommen</translation>
		</message>
		<message>
			<source>Colours that drifted on the way are brought back, outside and inside retouched places</source>
			<translation>Unterwegs verschobene Farben werden zurückgebracht, außerhalb und innerhalb retuschierter Stellen</translation>
		</message>
		<message>
			<source>Colours that this step leaves alone: a key colour as it enters the step, or a family of hues</source>
			<translation>Farben, die dieser Schritt in Ruhe lässt: eine Leitfarbe, wie sie in den Schritt kommt, oder eine Farbtonfamilie</translation>
		</message>
		<message>
			<source>Colours that were one break into blotches with hard borders.</source>
			<translation>Farben, die eins waren, zerfallen in Flecken mit harten Grenzen.</translation>
		</message>
		<message>
			<source>Companion</source>
			<translation>Begleiter</translation>
		</message>
		<message>
			<source>Companions are now the frames that differ most: %1.</source>
			<translation>Begleiter sind jetzt die Aufnahmen, die sich am meisten unterscheiden: %1.</translation>
		</message>
		<message>
			<source>Compare</source>
			<translation>Vergleich</translation>
		</message>
		<message>
			<source>Compare two versions</source>
			<translation>Zwei Fassungen vergleichen</translation>
		</message>
		<message>
			<source>Compare: both versions by turns, about one change a second and never more than three, because faster flicker can bring on seizures</source>
			<translation>Vergleichen: beide Fassungen im Wechsel, etwa einmal in der Sekunde und nie öfter als dreimal, weil schnellerer Wechsel Anfälle auslösen kann</translation>
		</message>
		<message>
			<source>Confirm</source>
			<translation>Bestätigen</translation>
		</message>
		<message>
			<source>Confirm place</source>
			<translation>Stelle bestätigen</translation>
		</message>
		<message>
			<source>Confirm the sure ones</source>
			<translation>Sichere bestätigen</translation>
		</message>
		<message>
			<source>Consistency</source>
			<translation>Zusammenhalt</translation>
		</message>
		<message>
			<source>Consistency: frames by key colours</source>
			<translation>Zusammenhalt: Aufnahmen nach Leitfarben</translation>
		</message>
		<message>
			<source>Contact sheet</source>
			<translation>Kontaktbogen</translation>
		</message>
		<message>
			<source>Contact sheet and report as pages.</source>
			<translation>Kontaktbogen und Bericht als Seiten.</translation>
		</message>
		<message>
			<source>Contact sheet: companion or not</source>
			<translation>Kontaktbogen: Begleiter oder nicht</translation>
		</message>
		<message>
			<source>Contact sheet: move about. Bench: move the chosen handle</source>
			<translation>Kontaktbogen: umhergehen. Werkbank: den gewählten Griff bewegen</translation>
		</message>
		<message>
			<source>Contact sheet: rate the chosen frames</source>
			<translation>Kontaktbogen: die gewählten Aufnahmen werten</translation>
		</message>
		<message>
			<source>Contact sheet: to the look. Companion: take it in hand. Ladder: take the row, with Shift all down to it, with Ctrl every row</source>
			<translation>Kontaktbogen: zum Look. Begleiter: in Arbeit nehmen. Leiter: die Zeile übernehmen, mit Umschalt alle bis zu ihr, mit Strg jede</translation>
		</message>
		<message>
			<source>Contrast</source>
			<translation>Kontrast</translation>
		</message>
		<message>
			<source>Copy</source>
			<translation>Kopieren</translation>
		</message>
		<message>
			<source>Copy %1 steps</source>
			<translation>%1 Schritte kopieren</translation>
		</message>
		<message>
			<source>Copy step</source>
			<translation>Schritt kopieren</translation>
		</message>
		<message>
			<source>Copy them into</source>
			<translation>Kopieren nach</translation>
		</message>
		<message>
			<source>Copy to chosen</source>
			<translation>Auf gewählte kopieren</translation>
		</message>
		<message>
			<source>Correct place</source>
			<translation>Stelle berichtigen</translation>
		</message>
		<message>
			<source>Count the stops</source>
			<translation>Die Blenden zählen</translation>
		</message>
		<message>
			<source>Count the stops between two pictures.</source>
			<translation>Die Blenden zwischen zwei Bildern zählen.</translation>
		</message>
		<message>
			<source>Count the whole picture again</source>
			<translation>Wieder das ganze Bild zählen</translation>
		</message>
		<message>
			<source>Counted on 256 greys in the codes of IEC 61966-2-1.</source>
			<translation>An 256 Graustufen in den Codes von IEC 61966-2-1 gezählt.</translation>
		</message>
		<message>
			<source>Covers %1 % of the colours of the frame in hand.</source>
			<translation>Deckt %1 % der Farben der Aufnahme in Arbeit.</translation>
		</message>
		<message>
			<source>Covers %1 % of the colours of the frame in hand: elsewhere the look is a guess.</source>
			<translation>Deckt %1 % der Farben der Aufnahme in Arbeit: sonst ist der Look geraten.</translation>
		</message>
		<message>
			<source>Crop</source>
			<translation>Ausschnitt</translation>
		</message>
		<message>
			<source>Crop on the picture: thirds or diagonals</source>
			<translation>Ausschnitt auf dem Bild: Drittel oder Diagonalen</translation>
		</message>
		<message>
			<source>Crop to this</source>
			<translation>Hierauf beschneiden</translation>
		</message>
		<message>
			<source>Ctrl+C</source>
			<translation>Strg+C</translation>
		</message>
		<message>
			<source>Ctrl+C, Ctrl+V, Ctrl+G</source>
			<translation>Strg+C, Strg+V, Strg+G</translation>
		</message>
		<message>
			<source>Ctrl+Enter</source>
			<translation>Strg+Eingabe</translation>
		</message>
		<message>
			<source>Ctrl+G</source>
			<translation>Strg+G</translation>
		</message>
		<message>
			<source>Ctrl+Shift+Z</source>
			<translation>Strg+Umschalt+Z</translation>
		</message>
		<message>
			<source>Ctrl+V</source>
			<translation>Strg+V</translation>
		</message>
		<message>
			<source>Ctrl+Z</source>
			<translation>Strg+Z</translation>
		</message>
		<message>
			<source>Ctrl+Z brings it back</source>
			<translation>Strg+Z bringt ihn zurück</translation>
		</message>
		<message>
			<source>Cure colours</source>
			<translation>Farben heilen</translation>
		</message>
		<message>
			<source>Cure of a frame</source>
			<translation>Abhilfe für eine Aufnahme</translation>
		</message>
		<message>
			<source>Cure taken: %1</source>
			<translation>Abhilfe übernommen: %1</translation>
		</message>
		<message>
			<source>Cure: %1. It would leave %2%3; nothing else passes its limit.</source>
			<translation>Abhilfe: %1. Es blieben %2%3; nichts anderes kommt über seine Grenze.</translation>
		</message>
		<message>
			<source>Cure: %1; %2 would be left</source>
			<translation>Abhilfe: %1; %2 blieben</translation>
		</message>
		<message>
			<source>Curve mode</source>
			<translation>Art der Kurve</translation>
		</message>
		<message>
			<source>Curve point moved</source>
			<translation>Kurvenpunkt bewegt</translation>
		</message>
		<message>
			<source>D</source>
			<translation>D</translation>
		</message>
		<message>
			<source>Darkest tone the step touches</source>
			<translation>Dunkelster Ton, den der Schritt berührt</translation>
		</message>
		<message>
			<source>Deepest black L* %1, lightest ink L* %2</source>
			<translation>Tiefstes Schwarz L* %1, hellster Druck L* %2</translation>
		</message>
		<message>
			<source>Degrees, clockwise</source>
			<translation>Grad, im Uhrzeigersinn</translation>
		</message>
		<message>
			<source>Delete</source>
			<translation>Löschen</translation>
		</message>
		<message>
			<source>Density</source>
			<translation>Dichte</translation>
		</message>
		<message>
			<source>Density of a part</source>
			<translation>Dichte eines Teils</translation>
		</message>
		<message>
			<source>Density of an area</source>
			<translation>Dichte eines Bereichs</translation>
		</message>
		<message>
			<source>Density of the area</source>
			<translation>Dichte des Bereichs</translation>
		</message>
		<message>
			<source>Density of the part</source>
			<translation>Dichte des Teils</translation>
		</message>
		<message>
			<source>Designs photographic looks and lands them on whole shoots.</source>
			<translation>Entwirft fotografische Looks und legt sie auf ganze Serien.</translation>
		</message>
		<message>
			<source>Difference</source>
			<translation>Unterschied</translation>
		</message>
		<message>
			<source>Difference on this frame (ΔE00): mean %1, 95 % %2, largest %3</source>
			<translation>Unterschied auf dieser Aufnahme (ΔE00): Mittel %1, 95 % %2, größter %3</translation>
		</message>
		<message>
			<source>Difference to now</source>
			<translation>Unterschied zu jetzt</translation>
		</message>
		<message>
			<source>Difference, 0 to 16 or to 160 %</source>
			<translation>Unterschied, 0 bis 16 oder bis 160 %</translation>
		</message>
		<message>
			<source>Difference: two versions in words, numbers and pictures.</source>
			<translation>Unterschied: zwei Fassungen in Worten, Zahlen und Bildern.</translation>
		</message>
		<message>
			<source>Differences from the surroundings: above 0 stronger, below 0 weaker</source>
			<translation>Unterschiede zur Umgebung: über 0 stärker, unter 0 schwächer</translation>
		</message>
		<message>
			<source>Differences weaker than this, mostly noise, are left as they are</source>
			<translation>Schwächere Unterschiede, meist Rauschen, bleiben, wie sie sind</translation>
		</message>
		<message>
			<source>Dim</source>
			<translation>Gedämpft</translation>
		</message>
		<message>
			<source>Distance from the centre where it begins, 1 is the corner</source>
			<translation>Abstand von der Mitte, bei dem es beginnt, 1 ist die Ecke</translation>
		</message>
		<message>
			<source>Distractors</source>
			<translation>Ablenkendes</translation>
		</message>
		<message>
			<source>Done</source>
			<translation>Erledigt</translation>
		</message>
		<message>
			<source>Done (D)</source>
			<translation>Erledigt (D)</translation>
		</message>
		<message>
			<source>Done: %L1 written to %2</source>
			<translation>Fertig: %L1 nach %2 geschrieben</translation>
		</message>
		<message>
			<source>Double-click to add a dye; drag it across for its tone and up for its chroma; drag the end of its line for its reach</source>
			<translation>Ein Doppelklick fügt eine Farbe hinzu; zur Seite ziehen ändert ihren Ton, nach oben ihre Buntheit; am Ende ihrer Linie ziehen ändert ihre Weite</translation>
		</message>
		<message>
			<source>Double-click to take this frame in hand</source>
			<translation>Doppelklick nimmt diese Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>Double-click: back to the start</source>
			<translation>Doppelklick: zurück zum Anfang</translation>
		</message>
		<message>
			<source>Doubled sharpening</source>
			<translation>Doppelte Schärfung</translation>
		</message>
		<message>
			<source>Down</source>
			<translation>Ab</translation>
		</message>
		<message>
			<source>Drag a box round a thing: it is found and joins the area, with Shift it is taken away (B)</source>
			<translation>Einen Kasten um einen Gegenstand ziehen: er wird gefunden und kommt zum Bereich, mit Umschalt fällt er weg (B)</translation>
		</message>
		<message>
			<source>Drag a dye to another hue; a lock takes the others along</source>
			<translation>Eine Farbe auf einen anderen Farbton ziehen; eine Bindung nimmt die anderen mit</translation>
		</message>
		<message>
			<source>Drag a family's ring up or down; drag its bar across to move it and the bar's right end to widen it; double-click the plot to add one</source>
			<translation>Den Ring einer Familie nach oben oder unten ziehen; ihren Balken zur Seite ziehen bewegt sie, sein rechtes Ende weitet sie; ein Doppelklick fügt eine hinzu</translation>
		</message>
		<message>
			<source>Drag a handle; double-click it to reset it</source>
			<translation>Einen Griff ziehen; ein Doppelklick setzt ihn zurück</translation>
		</message>
		<message>
			<source>Drag from the middle outward (E)</source>
			<translation>Von der Mitte nach außen ziehen (E)</translation>
		</message>
		<message>
			<source>Drag from where it works fully to where it ends (R)</source>
			<translation>Von dort, wo er voll wirkt, bis dorthin ziehen, wo er endet (R)</translation>
		</message>
		<message>
			<source>Drag the ends of the range; double-click one to open it</source>
			<translation>An den Enden des Bereichs ziehen; ein Doppelklick öffnet ihn</translation>
		</message>
		<message>
			<source>Drag the middle or the right end of the range; double-click to open it</source>
			<translation>In der Mitte oder am rechten Ende des Bereichs ziehen; ein Doppelklick öffnet ihn</translation>
		</message>
		<message>
			<source>Drag to give a pane more room; double click for the usual sizes</source>
			<translation>Ziehen gibt einem Feld mehr Platz; Doppelklick stellt die üblichen Größen her</translation>
		</message>
		<message>
			<source>Draw a line</source>
			<translation>Linie ziehen</translation>
		</message>
		<message>
			<source>Draw on the picture</source>
			<translation>Auf dem Bild ziehen</translation>
		</message>
		<message>
			<source>Draws the blue primary away from white or towards it</source>
			<translation>Zieht die blaue Primärfarbe vom Weiß weg oder zu ihm hin</translation>
		</message>
		<message>
			<source>Draws the green primary away from white or towards it</source>
			<translation>Zieht die grüne Primärfarbe vom Weiß weg oder zu ihm hin</translation>
		</message>
		<message>
			<source>Draws the red primary away from white or towards it</source>
			<translation>Zieht die rote Primärfarbe vom Weiß weg oder zu ihm hin</translation>
		</message>
		<message>
			<source>Duplicate</source>
			<translation>Verdoppeln</translation>
		</message>
		<message>
			<source>Dye %1 of %2</source>
			<translation>Farbe %1 von %2</translation>
		</message>
		<message>
			<source>Dye dragged on the picture</source>
			<translation>Farbe auf dem Bild gezogen</translation>
		</message>
		<message>
			<source>Dye from a key colour</source>
			<translation>Farbe aus einer Leitfarbe</translation>
		</message>
		<message>
			<source>Dye hue</source>
			<translation>Farbton einer Farbe</translation>
		</message>
		<message>
			<source>Dye moved</source>
			<translation>Farbe bewegt</translation>
		</message>
		<message>
			<source>Dye of a picked colour</source>
			<translation>Farbe nach einer aufgenommenen</translation>
		</message>
		<message>
			<source>Dyes by tone and chroma</source>
			<translation>Farben nach Ton und Buntheit</translation>
		</message>
		<message>
			<source>E, W, T, D, L</source>
			<translation>E, W, T, D, L</translation>
		</message>
		<message>
			<source>EXR, linear floats</source>
			<translation>EXR, lineare Gleitzahlen</translation>
		</message>
		<message>
			<source>EXR, linear half floats</source>
			<translation>EXR, lineare halbe Gleitzahlen</translation>
		</message>
		<message>
			<source>Each channel is bent by itself, so their ratios change: M. D. Fairchild, Color Appearance Models, 3rd ed., 2013.</source>
			<translation>Jeder Kanal wird für sich gebogen, also ändern sich ihre Verhältnisse: M. D. Fairchild, Color Appearance Models, 3. Aufl., 2013.</translation>
		</message>
		<message>
			<source>Each copy is read back and compared. Without this the pictures stay where they are.</source>
			<translation>Jede Kopie wird zurückgelesen und verglichen. Ohne dies bleiben die Bilder, wo sie sind.</translation>
		</message>
		<message>
			<source>Each frame keeps its own from now on</source>
			<translation>Jede Aufnahme behält von nun an ihren eigenen</translation>
		</message>
		<message>
			<source>Each step moved the brightness a little; nobody decided the sum.</source>
			<translation>Jeder Schritt bewegte die Helligkeit ein wenig; über die Summe entschied niemand.</translation>
		</message>
		<message>
			<source>Earlier in the order</source>
			<translation>Früher in der Reihenfolge</translation>
		</message>
		<message>
			<source>Earlier version taken: the one after it cannot be read</source>
			<translation>Frühere Fassung genommen: die nach ihr ist nicht zu lesen</translation>
		</message>
		<message>
			<source>Edge darkening</source>
			<translation>Randabdunklung</translation>
		</message>
		<message>
			<source>Edges</source>
			<translation>Kanten</translation>
		</message>
		<message>
			<source>Edges that were sharpened twice get hard light borders, and noise comes up.</source>
			<translation>Zweimal geschärfte Kanten bekommen harte helle Säume, und Rauschen tritt hervor.</translation>
		</message>
		<message>
			<source>Edit the curve of: %1</source>
			<translation>Die Kurve bearbeiten von: %1</translation>
		</message>
		<message>
			<source>Edit…</source>
			<translation>Bearbeiten …</translation>
		</message>
		<message>
			<source>Ellipse</source>
			<translation>Ellipse</translation>
		</message>
		<message>
			<source>End the sitting</source>
			<translation>Die Sitzung beenden</translation>
		</message>
		<message>
			<source>Ends</source>
			<translation>Enden</translation>
		</message>
		<message>
			<source>Ends at the half per cent points: pixels without detail in a channel go from %1 to %2 %.</source>
			<translation>Enden bei den Halbprozentpunkten: Pixel ohne Zeichnung in einem Kanal gehen von %1 auf %2 %.</translation>
		</message>
		<message>
			<source>Ends at which a thousandth of the picture reaches black and white</source>
			<translation>Enden, bei denen ein Tausendstel des Bildes Schwarz und Weiß erreicht</translation>
		</message>
		<message>
			<source>Ends of %1 frames</source>
			<translation>Enden von %1 Aufnahmen</translation>
		</message>
		<message>
			<source>Ends of a frame</source>
			<translation>Enden einer Aufnahme</translation>
		</message>
		<message>
			<source>Ends of the print</source>
			<translation>Enden des Drucks</translation>
		</message>
		<message>
			<source>Ends solved</source>
			<translation>Enden gelöst</translation>
		</message>
		<message>
			<source>Enter</source>
			<translation>Eingabe</translation>
		</message>
		<message>
			<source>Enter, Delete, N</source>
			<translation>Eingabe, Entf, N</translation>
		</message>
		<message>
			<source>Entries to do again</source>
			<translation>Noch einmal auszuführende Einträge</translation>
		</message>
		<message>
			<source>Esc</source>
			<translation>Esc</translation>
		</message>
		<message>
			<source>Even towards</source>
			<translation>Ebnen auf</translation>
		</message>
		<message>
			<source>Every area that is offered with at least 90 %</source>
			<translation>Jeden Bereich, der mit mindestens 90 % vorgeschlagen ist</translation>
		</message>
		<message>
			<source>Every channel</source>
			<translation>Jeder Kanal</translation>
		</message>
		<message>
			<source>Every channel: chroma rises with the slope. Lightness only: hue and chroma are held.</source>
			<translation>Jeder Kanal: die Buntheit steigt mit der Steigung. Nur Helligkeit: Farbton und Buntheit bleiben.</translation>
		</message>
		<message>
			<source>Every file is read back and held against what it should be; the list beside the files says what each is made of.</source>
			<translation>Jede Datei wird zurückgelesen und an dem gemessen, was sie sein soll; die Liste neben den Dateien sagt, woraus jede gemacht ist.</translation>
		</message>
		<message>
			<source>Every frame on pages, as it will be handed over</source>
			<translation>Jede Aufnahme auf Seiten, wie sie übergeben wird</translation>
		</message>
		<message>
			<source>Every picture cut to this ratio of width to height, inside its own crop; the pictures of the job stay as they are</source>
			<translation>Jedes Bild auf dieses Verhältnis von Breite zu Höhe beschnitten, innerhalb seines eigenen Ausschnitts; die Bilder des Auftrags bleiben, wie sie sind</translation>
		</message>
		<message>
			<source>Every round ever played, as a table</source>
			<translation>Jede je gespielte Runde, als Tabelle</translation>
		</message>
		<message>
			<source>Every row</source>
			<translation>Jede Zeile</translation>
		</message>
		<message>
			<source>Every row down to the chosen one that both pictures have enough of, but what may be another thing (Shift+Enter)</source>
			<translation>Jede Zeile bis zur gewählten, von der beide Bilder genug haben, außer was ein anderes Ding sein kann (Umschalt+Eingabe)</translation>
		</message>
		<message>
			<source>Every shortcut there is</source>
			<translation>Jedes Tastenkürzel, das es gibt</translation>
		</message>
		<message>
			<source>Every stage of the route is ticked.</source>
			<translation>Jede Station des Wegs ist abgehakt.</translation>
		</message>
		<message>
			<source>Explains; unseen: colours kept from the fit</source>
			<translation>Erklärt; ungesehen: Farben, die der Anpassung vorenthalten wurden</translation>
		</message>
		<message>
			<source>Export from the library</source>
			<translation>Aus der Sammlung ausgeben</translation>
		</message>
		<message>
			<source>Export the look</source>
			<translation>Den Look ausgeben</translation>
		</message>
		<message>
			<source>Export…</source>
			<translation>Ausgeben …</translation>
		</message>
		<message>
			<source>Exposure</source>
			<translation>Belichtung</translation>
		</message>
		<message>
			<source>Exposure and white of this frame alone; Ctrl+Z in Balance takes it back</source>
			<translation>Belichtung und Weiß nur dieser Aufnahme; Strg+Z im Ausgleich nimmt es zurück</translation>
		</message>
		<message>
			<source>Exposure chosen</source>
			<translation>Belichtung gewählt</translation>
		</message>
		<message>
			<source>Eyes: %1 min without a rest. Look far away for a few minutes.</source>
			<translation>Augen: %1 min ohne Pause. Sehen Sie einige Minuten in die Ferne.</translation>
		</message>
		<message>
			<source>Eyes: look far away for a few minutes every half hour.</source>
			<translation>Augen: jede halbe Stunde einige Minuten in die Ferne sehen.</translation>
		</message>
		<message>
			<source>F1 brings it back</source>
			<translation>F1 holt ihn zurück</translation>
		</message>
		<message>
			<source>F12 marks clipped pixels while it is held.</source>
			<translation>F12 markiert abgeschnittene Pixel, solange sie gedrückt ist.</translation>
		</message>
		<message>
			<source>Factor on the chroma of every colour</source>
			<translation>Faktor auf die Buntheit jeder Farbe</translation>
		</message>
		<message>
			<source>Factor on the family's chroma: 0 grey, 1 as it was</source>
			<translation>Faktor auf die Buntheit der Familie: 0 Grau, 1 wie es war</translation>
		</message>
		<message>
			<source>Fade</source>
			<translation>Verblassen</translation>
		</message>
		<message>
			<source>Fairly sure, %1 %.</source>
			<translation>Ziemlich sicher, %1 %.</translation>
		</message>
		<message>
			<source>Fall of light measured</source>
			<translation>Lichtabfall gemessen</translation>
		</message>
		<message>
			<source>Falloff of %1 frames</source>
			<translation>Randabfall von %1 Aufnahmen</translation>
		</message>
		<message>
			<source>Falloff of a lens</source>
			<translation>Randabfall eines Objektivs</translation>
		</message>
		<message>
			<source>Family</source>
			<translation>Familie</translation>
		</message>
		<message>
			<source>Family %1</source>
			<translation>Familie %1</translation>
		</message>
		<message>
			<source>Family moved</source>
			<translation>Familie bewegt</translation>
		</message>
		<message>
			<source>Family renamed</source>
			<translation>Familie umbenannt</translation>
		</message>
		<message>
			<source>Farthest off: %1</source>
			<translation>Am weitesten weg: %1</translation>
		</message>
		<message>
			<source>Feather</source>
			<translation>Weiche Kante</translation>
		</message>
		<message>
			<source>Feather of an area</source>
			<translation>Weiche Kante eines Bereichs</translation>
		</message>
		<message>
			<source>Feather, of the longer edge</source>
			<translation>Weiche Kante, Anteil der langen Seite</translation>
		</message>
		<message>
			<source>Fights the plan</source>
			<translation>Streitet mit dem Plan</translation>
		</message>
		<message>
			<source>File</source>
			<translation>Datei</translation>
		</message>
		<message>
			<source>Files</source>
			<translation>Dateien</translation>
		</message>
		<message>
			<source>Files are being written</source>
			<translation>Dateien werden geschrieben</translation>
		</message>
		<message>
			<source>Files for every receiver by recipes: size, weight, colour, names.</source>
			<translation>Dateien für jeden Empfänger nach Rezepten: Größe, Gewicht, Farbe, Namen.</translation>
		</message>
		<message>
			<source>Files of this recipe go into it</source>
			<translation>Dateien dieses Rezepts kommen hinein</translation>
		</message>
		<message>
			<source>Files sent for retouching</source>
			<translation>Zur Retusche gesandte Dateien</translation>
		</message>
		<message>
			<source>Files that are out to be retouched, and those that came back</source>
			<translation>Dateien, die außer Haus zur Retusche sind, und die zurückkamen</translation>
		</message>
		<message>
			<source>Files that came back</source>
			<translation>Zurückgekommene Dateien</translation>
		</message>
		<message>
			<source>Files that came back take the place of their frames</source>
			<translation>Zurückgekommene Dateien treten an die Stelle ihrer Aufnahmen</translation>
		</message>
		<message>
			<source>Filter by look, frame, kind or words; copy it, or save it as text, table or pages.</source>
			<translation>Nach Look, Aufnahme, Art oder Worten filtern; kopieren oder als Text, Tabelle oder Seiten speichern.</translation>
		</message>
		<message>
			<source>Find all roles</source>
			<translation>Alle Rollen finden</translation>
		</message>
		<message>
			<source>Find on all</source>
			<translation>Auf allen finden</translation>
		</message>
		<message>
			<source>Find on these</source>
			<translation>Auf diesen finden</translation>
		</message>
		<message>
			<source>Find the odd frame</source>
			<translation>Die abweichende Aufnahme finden</translation>
		</message>
		<message>
			<source>Find the odd frame: one of nine differs by a known amount.</source>
			<translation>Die abweichende Aufnahme finden: eine von neun weicht um eine bekannte Menge ab.</translation>
		</message>
		<message>
			<source>Find them</source>
			<translation>Finden</translation>
		</message>
		<message>
			<source>Findings</source>
			<translation>Befunde</translation>
		</message>
		<message>
			<source>Finds exposure and white of the frames shown against the lead of each light; nothing changes before you take it</source>
			<translation>Findet Belichtung und Weiß der gezeigten Aufnahmen zur Leitaufnahme jedes Lichts; nichts ändert sich, bevor Sie es übernehmen</translation>
		</message>
		<message>
			<source>Finds the key colours on every frame and measures them, as they came and with balance and look</source>
			<translation>Findet die Leitfarben auf jeder Aufnahme und misst sie, wie sie kamen und mit Ausgleich und Look</translation>
		</message>
		<message>
			<source>Fine detail</source>
			<translation>Feinzeichnung</translation>
		</message>
		<message>
			<source>Finer</source>
			<translation>Feiner</translation>
		</message>
		<message>
			<source>Finer is higher; the bars say how sure that is.</source>
			<translation>Feiner ist höher; die Balken sagen, wie sicher das ist.</translation>
		</message>
		<message>
			<source>Finished</source>
			<translation>Fertig</translation>
		</message>
		<message>
			<source>Finished pictures to match to</source>
			<translation>Fertige Bilder, an die anzugleichen ist</translation>
		</message>
		<message>
			<source>First its light, by %1: %2 stops and white %3 K (%4 % sure).</source>
			<translation>Zuerst ihr Licht, nach %1: %2 Blenden und Weiß %3 K (zu %4 % sicher).</translation>
		</message>
		<message>
			<source>First pixels of this frame</source>
			<translation>Erste Pixel dieser Aufnahme</translation>
		</message>
		<message>
			<source>First version</source>
			<translation>Erste Fassung</translation>
		</message>
		<message>
			<source>Fitted steps of %1</source>
			<translation>Angepasste Schritte von %1</translation>
		</message>
		<message>
			<source>Fitted. Nothing changes before you take it.</source>
			<translation>Angepasst. Nichts ändert sich, bevor Sie es übernehmen.</translation>
		</message>
		<message>
			<source>Five companions are chosen already. Take one away first (C on it).</source>
			<translation>Fünf Begleiter sind schon gewählt. Nehmen Sie zuerst einen weg (C darauf).</translation>
		</message>
		<message>
			<source>Five drills of ten rounds, about three minutes each, as hard as you can just do.</source>
			<translation>Fünf Übungen zu zehn Runden, je etwa drei Minuten, so schwer, wie Sie es gerade noch können.</translation>
		</message>
		<message>
			<source>Flicker</source>
			<translation>Wechsel</translation>
		</message>
		<message>
			<source>Flow</source>
			<translation>Fluss</translation>
		</message>
		<message>
			<source>Focus</source>
			<translation>Schärfe</translation>
		</message>
		<message>
			<source>Folder</source>
			<translation>Ordner</translation>
		</message>
		<message>
			<source>Folder for the copies</source>
			<translation>Ordner für die Kopien</translation>
		</message>
		<message>
			<source>Folder for the files</source>
			<translation>Ordner für die Dateien</translation>
		</message>
		<message>
			<source>Folder of the library</source>
			<translation>Ordner der Sammlung</translation>
		</message>
		<message>
			<source>Folders of the library</source>
			<translation>Ordner der Sammlung</translation>
		</message>
		<message>
			<source>For</source>
			<translation>Für</translation>
		</message>
		<message>
			<source>For what the frames are checked</source>
			<translation>Wofür die Aufnahmen geprüft werden</translation>
		</message>
		<message>
			<source>Forget</source>
			<translation>Vergessen</translation>
		</message>
		<message>
			<source>Forget it</source>
			<translation>Vergessen</translation>
		</message>
		<message>
			<source>Forgotten.</source>
			<translation>Vergessen.</translation>
		</message>
		<message>
			<source>Found again, %1 % sure; not confirmed.</source>
			<translation>Wiedergefunden, zu %1 % sicher; nicht bestätigt.</translation>
		</message>
		<message>
			<source>Frame</source>
			<translation>Aufnahme</translation>
		</message>
		<message>
			<source>Frame cropped</source>
			<translation>Aufnahme beschnitten</translation>
		</message>
		<message>
			<source>Frame in hand</source>
			<translation>Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>Frame in hand shows it</source>
			<translation>Aufnahme in Arbeit zeigt es</translation>
		</message>
		<message>
			<source>Frame set upright</source>
			<translation>Aufnahme aufrecht gestellt</translation>
		</message>
		<message>
			<source>Frame straightened</source>
			<translation>Aufnahme gerade gestellt</translation>
		</message>
		<message>
			<source>Frame stretched</source>
			<translation>Aufnahme gestreckt</translation>
		</message>
		<message>
			<source>Frames</source>
			<translation>Aufnahmen</translation>
		</message>
		<message>
			<source>Frames added to %1</source>
			<translation>Aufnahmen zu %1 hinzugefügt</translation>
		</message>
		<message>
			<source>Frames and their balances</source>
			<translation>Aufnahmen und ihr Ausgleich</translation>
		</message>
		<message>
			<source>Frames are parted into lights. Move them by their menu; the first of a light stands for it.</source>
			<translation>Aufnahmen werden in Lichter geteilt. Bewegen Sie sie mit ihrem Menü; die erste eines Lichts steht für es.</translation>
		</message>
		<message>
			<source>Frames by the area of the role, what wants to be looked at first</source>
			<translation>Aufnahmen nach dem Bereich der Rolle, zuerst, was angesehen werden will</translation>
		</message>
		<message>
			<source>Frames in whose crop the colour card is seen are left out unless this is ticked</source>
			<translation>Aufnahmen, in deren Ausschnitt die Farbkarte zu sehen ist, bleiben weg, wenn dies nicht angehakt ist</translation>
		</message>
		<message>
			<source>Frames moved to another light</source>
			<translation>Aufnahmen in ein anderes Licht gelegt</translation>
		</message>
		<message>
			<source>Frames shown</source>
			<translation>Gezeigte Aufnahmen</translation>
		</message>
		<message>
			<source>Frames taken out of %1</source>
			<translation>Aufnahmen aus %1 genommen</translation>
		</message>
		<message>
			<source>Frames that were sent, the likeliest first</source>
			<translation>Gesandte Aufnahmen, die wahrscheinlichste zuerst</translation>
		</message>
		<message>
			<source>Frames with a name, for which looks hold values of their own: one costume, one dish</source>
			<translation>Aufnahmen mit einem Namen, für die Looks eigene Werte haben: ein Kostüm, ein Gericht</translation>
		</message>
		<message>
			<source>Framing</source>
			<translation>Schnitt</translation>
		</message>
		<message>
			<source>Framing of %1 frames</source>
			<translation>Ausschnitt von %1 Aufnahmen</translation>
		</message>
		<message>
			<source>Fringes of a lens</source>
			<translation>Farbsäume eines Objektivs</translation>
		</message>
		<message>
			<source>From</source>
			<translation>Von</translation>
		</message>
		<message>
			<source>From a folder or card</source>
			<translation>Aus einem Ordner oder von einer Karte</translation>
		</message>
		<message>
			<source>From another picture…</source>
			<translation>Aus einem anderen Bild …</translation>
		</message>
		<message>
			<source>From folder to delivery</source>
			<translation>Vom Ordner zur Lieferung</translation>
		</message>
		<message>
			<source>From now to it: %1</source>
			<translation>Von jetzt dorthin: %1</translation>
		</message>
		<message>
			<source>From pairs and tables a look is found, with what is left over told.</source>
			<translation>Aus Paaren und Tabellen wird ein Look gefunden, und gesagt, was übrig bleibt.</translation>
		</message>
		<message>
			<source>From the chosen frames to all others: more where more noise is</source>
			<translation>Von den gewählten Aufnahmen auf alle anderen: mehr, wo mehr Rauschen ist</translation>
		</message>
		<message>
			<source>From the first to the second, how many stops?</source>
			<translation>Vom ersten zum zweiten, wie viele Blenden?</translation>
		</message>
		<message>
			<source>From the next start on; pictures stay pixel for pixel</source>
			<translation>Ab dem nächsten Start; Bilder bleiben Pixel für Pixel</translation>
		</message>
		<message>
			<source>From the picture: the next click</source>
			<translation>Aus dem Bild: der nächste Klick</translation>
		</message>
		<message>
			<source>From → now</source>
			<translation>Von → jetzt</translation>
		</message>
		<message>
			<source>Full at</source>
			<translation>Voll bei</translation>
		</message>
		<message>
			<source>G</source>
			<translation>G</translation>
		</message>
		<message>
			<source>Give to</source>
			<translation>Geben an</translation>
		</message>
		<message>
			<source>Glow</source>
			<translation>Schein</translation>
		</message>
		<message>
			<source>Go back to it</source>
			<translation>Dorthin zurück</translation>
		</message>
		<message>
			<source>Grain</source>
			<translation>Korn</translation>
		</message>
		<message>
			<source>Grain of %1, last in the look, on this frame</source>
			<translation>Korn von %1, zuletzt im Look, bei dieser Aufnahme</translation>
		</message>
		<message>
			<source>Green</source>
			<translation>Grün</translation>
		</message>
		<message>
			<source>Green above 0, magenta below</source>
			<translation>Grün über 0, Magenta darunter</translation>
		</message>
		<message>
			<source>Greys</source>
			<translation>Grau</translation>
		</message>
		<message>
			<source>Greys, L* 0 to 100 by fives: even steps, none of them coloured</source>
			<translation>Graufelder, L* 0 bis 100 in Fünferschritten: gleiche Stufen, keine farbig</translation>
		</message>
		<message>
			<source>Group of steps</source>
			<translation>Gruppe von Schritten</translation>
		</message>
		<message>
			<source>Group parted</source>
			<translation>Gruppe getrennt</translation>
		</message>
		<message>
			<source>Grow, of the longer edge; below zero it shrinks</source>
			<translation>Wachsen, Anteil der langen Seite; unter null schrumpft er</translation>
		</message>
		<message>
			<source>Growth of an area</source>
			<translation>Wachstum eines Bereichs</translation>
		</message>
		<message>
			<source>Guard</source>
			<translation>Schutz</translation>
		</message>
		<message>
			<source>Guard moved</source>
			<translation>Schutz bewegt</translation>
		</message>
		<message>
			<source>Guard on a range of tones</source>
			<translation>Schutz auf einen Tonbereich</translation>
		</message>
		<message>
			<source>Guard opened</source>
			<translation>Schutz geöffnet</translation>
		</message>
		<message>
			<source>Guard round a colour</source>
			<translation>Schutz um eine Farbe</translation>
		</message>
		<message>
			<source>Guard round a tone of the picture</source>
			<translation>Schutz um einen Ton des Bildes</translation>
		</message>
		<message>
			<source>Guard turned round</source>
			<translation>Schutz umgekehrt</translation>
		</message>
		<message>
			<source>Guard: on</source>
			<translation>Schutz: an</translation>
		</message>
		<message>
			<source>Guide</source>
			<translation>Leitfaden</translation>
		</message>
		<message>
			<source>Guide F1</source>
			<translation>Leitfaden F1</translation>
		</message>
		<message>
			<source>Guide: what one can do here, and all keys</source>
			<translation>Leitfaden: was man hier tun kann, und alle Tasten</translation>
		</message>
		<message>
			<source>Half strength</source>
			<translation>Halbe Stärke</translation>
		</message>
		<message>
			<source>Halo</source>
			<translation>Lichthof</translation>
		</message>
		<message>
			<source>Hand over</source>
			<translation>Übergeben</translation>
		</message>
		<message>
			<source>Hand over all the same</source>
			<translation>Trotzdem übergeben</translation>
		</message>
		<message>
			<source>Handed over again, only what changed is made.</source>
			<translation>Noch einmal übergeben, wird nur gemacht, was sich änderte.</translation>
		</message>
		<message>
			<source>Handed over with a question</source>
			<translation>Mit einer Frage übergeben</translation>
		</message>
		<message>
			<source>Hardest first</source>
			<translation>Schwerste zuerst</translation>
		</message>
		<message>
			<source>Haze</source>
			<translation>Dunst</translation>
		</message>
		<message>
			<source>Headings of the sheet</source>
			<translation>Überschriften des Bogens</translation>
		</message>
		<message>
			<source>Held back from %1</source>
			<translation>%1 geschont</translation>
		</message>
		<message>
			<source>Held back from %1 by %2 %</source>
			<translation>%1 zu %2 % geschont</translation>
		</message>
		<message>
			<source>Held while dragging on the picture</source>
			<translation>Beim Ziehen auf dem Bild gehalten</translation>
		</message>
		<message>
			<source>Here</source>
			<translation>Hier</translation>
		</message>
		<message>
			<source>High contrast</source>
			<translation>Hoher Kontrast</translation>
		</message>
		<message>
			<source>Hold a letter and drag on the picture: E exposure, W white, T tint, D and L the ends.</source>
			<translation>Einen Buchstaben halten und auf dem Bild ziehen: E Belichtung, W Weiß, T Tönung, D und L die Enden.</translation>
		</message>
		<message>
			<source>Hold a reference beside it; take over what you want, row by row, with reasons.</source>
			<translation>Halten Sie eine Vorlage daneben; übernehmen Sie, was Sie wollen, Zeile für Zeile, mit Gründen.</translation>
		</message>
		<message>
			<source>Hold back from</source>
			<translation>Schonen</translation>
		</message>
		<message>
			<source>Hold: the look up to before the chosen step</source>
			<translation>Halten: der Look bis vor den gewählten Schritt</translation>
		</message>
		<message>
			<source>Hold: the number in hand at its upper end; with Shift at its lower</source>
			<translation>Halten: die bearbeitete Zahl an ihrem oberen Ende; mit Umschalt am unteren</translation>
		</message>
		<message>
			<source>Hold: the picture as it came</source>
			<translation>Halten: das Bild, wie es kam</translation>
		</message>
		<message>
			<source>Hold: the picture balanced, without the look</source>
			<translation>Halten: das Bild ausgeglichen, ohne den Look</translation>
		</message>
		<message>
			<source>Holds the frame in hand, as it stands, as the reference; then take another frame in hand. What is taken then holds for that frame alone</source>
			<translation>Hält die Aufnahme in Arbeit, wie sie steht, als Vorlage; nehmen Sie dann eine andere in Arbeit. Was übernommen wird, gilt für diese Aufnahme allein</translation>
		</message>
		<message>
			<source>Home</source>
			<translation>Pos 1</translation>
		</message>
		<message>
			<source>Hours a day</source>
			<translation>Stunden am Tag</translation>
		</message>
		<message>
			<source>How chosen frames change</source>
			<translation>Wie gewählte Aufnahmen sich ändern</translation>
		</message>
		<message>
			<source>How coloured the grain is</source>
			<translation>Wie farbig das Korn ist</translation>
		</message>
		<message>
			<source>How colours outside the profile come into it</source>
			<translation>Wie Farben außerhalb des Profils hineinkommen</translation>
		</message>
		<message>
			<source>How each channel of a grey moves along the tone axis</source>
			<translation>Wie sich jeder Kanal eines Graus auf der Tonachse bewegt</translation>
		</message>
		<message>
			<source>How far chroma is drawn to that of the sampled colour</source>
			<translation>Wie weit die Buntheit zu der der abgetasteten Farbe gezogen wird</translation>
		</message>
		<message>
			<source>How far deep tones are spared</source>
			<translation>Wie weit tiefe Töne verschont werden</translation>
		</message>
		<message>
			<source>How far from its tone the dye still colours, on the tone axis</source>
			<translation>Wie weit von ihrem Ton die Farbe noch färbt, auf der Tonachse</translation>
		</message>
		<message>
			<source>How far hues are drawn to that of the sampled colour</source>
			<translation>Wie weit Farbtöne zu dem der abgetasteten Farbe gezogen werden</translation>
		</message>
		<message>
			<source>How far it spreads, in per cent of the long edge</source>
			<translation>Wie weit es streut, in Prozent der langen Seite</translation>
		</message>
		<message>
			<source>How far lightness is drawn to that of the sampled colour</source>
			<translation>Wie weit die Helligkeit zu der der abgetasteten Farbe gezogen wird</translation>
		</message>
		<message>
			<source>How far off in chroma colours are drawn; 0.4 all</source>
			<translation>Wie weit in der Buntheit entfernte Farben gezogen werden; 0,4 alle</translation>
		</message>
		<message>
			<source>How far off in hue colours are drawn; 180 all</source>
			<translation>Wie weit im Farbton entfernte Farben gezogen werden; 180 alle</translation>
		</message>
		<message>
			<source>How far off in lightness colours are drawn; 1 all</source>
			<translation>Wie weit in der Helligkeit entfernte Farben gezogen werden; 1 alle</translation>
		</message>
		<message>
			<source>How far that light lies towards green (above 0) or magenta. On the picture: hold T and drag</source>
			<translation>Wie weit dieses Licht zu Grün (über 0) oder Magenta liegt. Auf dem Bild: T halten und ziehen</translation>
		</message>
		<message>
			<source>How far the family's hue is turned, in degrees</source>
			<translation>Wie weit der Farbton der Familie gedreht wird, in Grad</translation>
		</message>
		<message>
			<source>How far the fit can be trusted on each frame</source>
			<translation>Wie weit der Anpassung auf jeder Aufnahme zu trauen ist</translation>
		</message>
		<message>
			<source>How far the frame in hand would still lie from %1 under each look, light and colour together. Nearest first.</source>
			<translation>Wie weit die Aufnahme in Arbeit unter jedem Look noch von %1 läge, Licht und Farbe zusammen. Der nächste zuerst.</translation>
		</message>
		<message>
			<source>How far the sheltered family keeps its chroma</source>
			<translation>Wie weit die geschonte Familie ihre Buntheit behält</translation>
		</message>
		<message>
			<source>How fine</source>
			<translation>Wie fein</translation>
		</message>
		<message>
			<source>How many stops lie from the first picture to the second?</source>
			<translation>Wie viele Blenden liegen vom ersten Bild zum zweiten?</translation>
		</message>
		<message>
			<source>How many tiles</source>
			<translation>Wie viele Felder</translation>
		</message>
		<message>
			<source>How much crisper edges become</source>
			<translation>Wie viel schärfer Kanten werden</translation>
		</message>
		<message>
			<source>How much every table changes this frame, mean ΔE00</source>
			<translation>Wie stark jede Tabelle diese Aufnahme ändert, mittlere ΔE00</translation>
		</message>
		<message>
			<source>How much farther out blue lies than green</source>
			<translation>Wie viel weiter außen Blau liegt als Grün</translation>
		</message>
		<message>
			<source>How much farther out red lies than green</source>
			<translation>Wie viel weiter außen Rot liegt als Grün</translation>
		</message>
		<message>
			<source>How much of the circle is sheltered</source>
			<translation>Wie viel vom Kreis geschont wird</translation>
		</message>
		<message>
			<source>How much of the circle the family covers, at half of its strength</source>
			<translation>Wie viel vom Kreis die Familie deckt, bei der Hälfte ihrer Stärke</translation>
		</message>
		<message>
			<source>How much of the frame in hand, as it enters the step, the guard lets through</source>
			<translation>Wie viel der Aufnahme in Arbeit, wie sie in den Schritt kommt, der Schutz durchlässt</translation>
		</message>
		<message>
			<source>How much of the measured noise is taken off, colour more than lightness</source>
			<translation>Wie viel des gemessenen Rauschens weggenommen wird, in der Farbe mehr als in der Helligkeit</translation>
		</message>
		<message>
			<source>How much of the spread light is added</source>
			<translation>Wie viel des gestreuten Lichts hinzukommt</translation>
		</message>
		<message>
			<source>How much of the step: 0 nothing, 1 all of it, 2 twice its change</source>
			<translation>Wie viel vom Schritt: 0 nichts, 1 alles, 2 das Doppelte seiner Änderung</translation>
		</message>
		<message>
			<source>How much of the table: 0 nothing, 1 all of it</source>
			<translation>Wie viel von der Tabelle: 0 nichts, 1 alles</translation>
		</message>
		<message>
			<source>How much of the wash: 0 nothing, 1 all of it</source>
			<translation>Wie viel von der Lasur: 0 nichts, 1 alles</translation>
		</message>
		<message>
			<source>How much this colour is held back, or no longer</source>
			<translation>Wie weit diese Farbe geschont wird, oder nicht mehr</translation>
		</message>
		<message>
			<source>How softly the range of chroma ends</source>
			<translation>Wie weich der Buntheitsbereich endet</translation>
		</message>
		<message>
			<source>How softly the range of hues ends</source>
			<translation>Wie weich der Farbtonbereich endet</translation>
		</message>
		<message>
			<source>How softly the range of tones ends</source>
			<translation>Wie weich der Tonbereich endet</translation>
		</message>
		<message>
			<source>How steep edges are: 1 is from one pixel to the next; taken by fine detail</source>
			<translation>Wie steil Kanten sind: 1 heißt von einem Pixel zum nächsten; durch Feinzeichnung übernommen</translation>
		</message>
		<message>
			<source>How sure the solver is</source>
			<translation>Wie sicher der Löser ist</translation>
		</message>
		<message>
			<source>How the look travels</source>
			<translation>Wie der Look reist</translation>
		</message>
		<message>
			<source>How the ramp is laid over the picture</source>
			<translation>Wie der Verlauf über das Bild gelegt wird</translation>
		</message>
		<message>
			<source>How wide the surroundings are, in per cent of the long edge</source>
			<translation>Wie weit die Umgebung reicht, in Prozent der langen Seite</translation>
		</message>
		<message>
			<source>Hue</source>
			<translation>Farbton</translation>
		</message>
		<message>
			<source>Hue and chroma of this dye</source>
			<translation>Farbton und Buntheit dieser Farbe</translation>
		</message>
		<message>
			<source>Hue families</source>
			<translation>Farbtonfamilien</translation>
		</message>
		<message>
			<source>Hue lock</source>
			<translation>Farbtonbindung</translation>
		</message>
		<message>
			<source>Hue map</source>
			<translation>Farbtonkarte</translation>
		</message>
		<message>
			<source>Hue of the chosen colour</source>
			<translation>Farbton der gewählten Farbe</translation>
		</message>
		<message>
			<source>Hue of the sampled colour</source>
			<translation>Farbton der abgetasteten Farbe</translation>
		</message>
		<message>
			<source>Hue shifts</source>
			<translation>Farbtöne</translation>
		</message>
		<message>
			<source>Hues</source>
			<translation>Töne</translation>
		</message>
		<message>
			<source>Hues for the dye in hand from a key colour: its opposite, its neighbours, its triad</source>
			<translation>Farbtöne für die bearbeitete Farbe aus einer Leitfarbe: ihr Gegenüber, ihre Nachbarn, ihr Dreiklang</translation>
		</message>
		<message>
			<source>Hues of the dyes</source>
			<translation>Farbtöne der Farben</translation>
		</message>
		<message>
			<source>Hues the step may touch</source>
			<translation>Farbtöne, die der Schritt berühren darf</translation>
		</message>
		<message>
			<source>Import a look</source>
			<translation>Einen Look einlesen</translation>
		</message>
		<message>
			<source>Import…</source>
			<translation>Einlesen …</translation>
		</message>
		<message>
			<source>In brackets</source>
			<translation>In Belichtungsreihen</translation>
		</message>
		<message>
			<source>In hand and companions</source>
			<translation>In Arbeit und Begleiter</translation>
		</message>
		<message>
			<source>In its picture</source>
			<translation>In ihrem Bild</translation>
		</message>
		<message>
			<source>In pixels of the file that is delivered</source>
			<translation>In Pixeln der gelieferten Datei</translation>
		</message>
		<message>
			<source>In the flat places of this frame</source>
			<translation>An den glatten Stellen dieser Aufnahme</translation>
		</message>
		<message>
			<source>In what is handed over</source>
			<translation>In dem, was übergeben wird</translation>
		</message>
		<message>
			<source>Ink past its limit marked</source>
			<translation>Farbauftrag über der Grenze markiert</translation>
		</message>
		<message>
			<source>Insert, Delete</source>
			<translation>Einfg, Entf</translation>
		</message>
		<message>
			<source>Inside a role</source>
			<translation>Innerhalb einer Rolle</translation>
		</message>
		<message>
			<source>Inside or outside the role</source>
			<translation>Innerhalb oder außerhalb der Rolle</translation>
		</message>
		<message>
			<source>Instruments</source>
			<translation>Instrumente</translation>
		</message>
		<message>
			<source>Intent</source>
			<translation>Absicht</translation>
		</message>
		<message>
			<source>Intent card</source>
			<translation>Zielkarte</translation>
		</message>
		<message>
			<source>Intent of a frame</source>
			<translation>Absicht einer Aufnahme</translation>
		</message>
		<message>
			<source>Inverted</source>
			<translation>Umgekehrt</translation>
		</message>
		<message>
			<source>Is it so?</source>
			<translation>Stimmt das?</translation>
		</message>
		<message>
			<source>Is it so? Measured on this frame</source>
			<translation>Stimmt das? An dieser Aufnahme gemessen</translation>
		</message>
		<message>
			<source>Is it so? Sayings measured on the frame in hand</source>
			<translation>Stimmt das? Sätze, an der Aufnahme in Arbeit gemessen</translation>
		</message>
		<message>
			<source>Is it so? What is said of this step, measured on this frame</source>
			<translation>Stimmt das? Was man über diesen Schritt sagt, an dieser Aufnahme gemessen</translation>
		</message>
		<message>
			<source>It becomes part of the frame's light or look; Ctrl+Z takes it back</source>
			<translation>Wird Teil des Lichts oder Looks der Aufnahme; Strg+Z nimmt es zurück</translation>
		</message>
		<message>
			<source>It becomes the look's current version, and is pinned</source>
			<translation>Sie wird die geltende Fassung des Looks und festgehalten</translation>
		</message>
		<message>
			<source>It does about one grey only; a picture's tones seldom lie round it. Measured in OKLab lightness (B. Ottosson, 2020).</source>
			<translation>Das gilt nur um ein Grau; die Töne eines Bildes liegen selten darum. In OKLab-Helligkeit gemessen (B. Ottosson, 2020).</translation>
		</message>
		<message>
			<source>It is</source>
			<translation>Er ist</translation>
		</message>
		<message>
			<source>It is this one</source>
			<translation>Diese ist es</translation>
		</message>
		<message>
			<source>It travels with the look</source>
			<translation>Er reist mit dem Look</translation>
		</message>
		<message>
			<source>It was</source>
			<translation>Es war</translation>
		</message>
		<message>
			<source>Its light</source>
			<translation>Ihr Licht</translation>
		</message>
		<message>
			<source>Its light agrees with the reference, by %1 (%2 % sure).</source>
			<translation>Ihr Licht stimmt mit der Vorlage überein, nach %1 (zu %2 % sicher).</translation>
		</message>
		<message>
			<source>Its place on the picture, or its step</source>
			<translation>Seine Stelle auf dem Bild oder sein Schritt</translation>
		</message>
		<message>
			<source>J</source>
			<translation>J</translation>
		</message>
		<message>
			<source>JPEG</source>
			<translation>JPEG</translation>
		</message>
		<message>
			<source>JPEG quality %1</source>
			<translation>JPEG-Qualität %1</translation>
		</message>
		<message>
			<source>JPEG, PNG, TIFF or WebP</source>
			<translation>JPEG, PNG, TIFF oder WebP</translation>
		</message>
		<message>
			<source>JPEG, PNG, TIFF, WebP, EXR or a raw file from a camera</source>
			<translation>JPEG, PNG, TIFF, WebP, EXR oder eine Raw-Datei einer Kamera</translation>
		</message>
		<message>
			<source>Join</source>
			<translation>Verbinden</translation>
		</message>
		<message>
			<source>Join two steps</source>
			<translation>Zwei Schritte verbinden</translation>
		</message>
		<message>
			<source>Join with %1</source>
			<translation>Mit %1 verbinden</translation>
		</message>
		<message>
			<source>Jolly Amber</source>
			<translation>Jolly Amber</translation>
		</message>
		<message>
			<source>Journal</source>
			<translation>Tagebuch</translation>
		</message>
		<message>
			<source>Journal: every entry as sentences, by day. Type a reason at any time. See the frame then beside now.</source>
			<translation>Tagebuch: jeder Eintrag in Sätzen, nach Tagen. Jederzeit eine Begründung eintippen. Die Aufnahme damals neben jetzt sehen.</translation>
		</message>
		<message>
			<source>Keep</source>
			<translation>Festhalten</translation>
		</message>
		<message>
			<source>Keep a recipe</source>
			<translation>Ein Rezept festhalten</translation>
		</message>
		<message>
			<source>Keep and use</source>
			<translation>Festhalten und verwenden</translation>
		</message>
		<message>
			<source>Keep as…</source>
			<translation>Festhalten als …</translation>
		</message>
		<message>
			<source>Keep in the library</source>
			<translation>In der Sammlung festhalten</translation>
		</message>
		<message>
			<source>Keep it under a name…</source>
			<translation>Unter einem Namen festhalten …</translation>
		</message>
		<message>
			<source>Keep the look as it is now under a note, to come back to and compare</source>
			<translation>Den Look, wie er jetzt ist, mit einer Notiz festhalten, um auf ihn zurückzukommen und zu vergleichen</translation>
		</message>
		<message>
			<source>Keeps the dyes' hues in a fixed relation: move one and the others follow</source>
			<translation>Hält die Farbtöne in fester Beziehung: bewegt sich einer, folgen die anderen</translation>
		</message>
		<message>
			<source>Keeps within</source>
			<translation>Bleibt innerhalb</translation>
		</message>
		<message>
			<source>Kept</source>
			<translation>Festgehalten</translation>
		</message>
		<message>
			<source>Kept among your own routes, and used for this job</source>
			<translation>Unter Ihren eigenen Wegen festgehalten und für diesen Auftrag verwendet</translation>
		</message>
		<message>
			<source>Kept with the job</source>
			<translation>Mit dem Auftrag festgehalten</translation>
		</message>
		<message>
			<source>Key</source>
			<translation>Grundton</translation>
		</message>
		<message>
			<source>Key %1</source>
			<translation>Taste %1</translation>
		</message>
		<message>
			<source>Key colour</source>
			<translation>Leitfarbe</translation>
		</message>
		<message>
			<source>Key colour changed</source>
			<translation>Leitfarbe geändert</translation>
		</message>
		<message>
			<source>Key colour kept</source>
			<translation>Leitfarbe festgehalten</translation>
		</message>
		<message>
			<source>Key colour marked</source>
			<translation>Leitfarbe markiert</translation>
		</message>
		<message>
			<source>Key colour taken off</source>
			<translation>Leitfarbe weggenommen</translation>
		</message>
		<message>
			<source>Key colours</source>
			<translation>Leitfarben</translation>
		</message>
		<message>
			<source>Key colour…</source>
			<translation>Leitfarbe …</translation>
		</message>
		<message>
			<source>Keys</source>
			<translation>Tasten</translation>
		</message>
		<message>
			<source>Keys of the chosen shortcut</source>
			<translation>Tasten des gewählten Kürzels</translation>
		</message>
		<message>
			<source>Keys without Ctrl or Alt belong to what has the focus.</source>
			<translation>Tasten ohne Strg oder Alt gehören dem, was den Fokus hat.</translation>
		</message>
		<message>
			<source>Known colours: L*, a*, b* below, to hold an instrument against</source>
			<translation>Bekannte Farben: darunter L*, a*, b*, um ein Messgerät daran zu halten</translation>
		</message>
		<message>
			<source>L</source>
			<translation>L</translation>
		</message>
		<message>
			<source>L* of the left less that of the right. Taking it adds a curve for a role that lies over the left of this frame</source>
			<translation>L* links weniger L* rechts. Übernehmen fügt eine Kurve für eine Rolle hinzu, die über dem linken Teil dieser Aufnahme liegt</translation>
		</message>
		<message>
			<source>L* of the middle less that of the corners; taken by edge darkening</source>
			<translation>L* der Mitte weniger L* der Ecken; durch Randabdunklung übernommen</translation>
		</message>
		<message>
			<source>L* of the top less that of the bottom. Taking it adds a curve for a role that lies over the top of this frame</source>
			<translation>L* oben weniger L* unten. Übernehmen fügt eine Kurve für eine Rolle hinzu, die über dem oberen Teil dieser Aufnahme liegt</translation>
		</message>
		<message>
			<source>L* points to the lead of the light; tolerance %1</source>
			<translation>L*-Punkte zur Leitaufnahme des Lichts; Toleranz %1</translation>
		</message>
		<message>
			<source>LUT_1D_SIZE or LUT_3D_SIZE</source>
			<translation>LUT_1D_SIZE oder LUT_3D_SIZE</translation>
		</message>
		<message>
			<source>Ladder: what lies between the reference and ours</source>
			<translation>Leiter: was zwischen der Vorlage und unserem liegt</translation>
		</message>
		<message>
			<source>Lands in the plan</source>
			<translation>Landet im Plan</translation>
		</message>
		<message>
			<source>Later in the order</source>
			<translation>Später in der Reihenfolge</translation>
		</message>
		<message>
			<source>Lay black on the darkest the screen gives</source>
			<translation>Schwarz auf das Dunkelste legen, das der Schirm gibt</translation>
		</message>
		<message>
			<source>Lays ours over the reference, with a line to move between them</source>
			<translation>Legt unseres über die Vorlage, mit einer verschiebbaren Linie dazwischen</translation>
		</message>
		<message>
			<source>Lays over the picture, in a colour it does not contain, what the family in hand touches</source>
			<translation>Legt über das Bild, in einer Farbe, die es nicht enthält, was die bearbeitete Familie berührt</translation>
		</message>
		<message>
			<source>Lays over the picture, in a colour it does not contain, where this step works</source>
			<translation>Legt über das Bild, in einer Farbe, die es nicht enthält, wo dieser Schritt wirkt</translation>
		</message>
		<message>
			<source>Lead</source>
			<translation>Leitaufnahme</translation>
		</message>
		<message>
			<source>Lead of a light chosen</source>
			<translation>Leitaufnahme eines Lichts gewählt</translation>
		</message>
		<message>
			<source>Least chroma the step touches: raise it to touch the strongest colours only</source>
			<translation>Geringste Buntheit, die der Schritt berührt: erhöhen, um nur die kräftigsten Farben zu berühren</translation>
		</message>
		<message>
			<source>Least rating</source>
			<translation>Mindestwertung</translation>
		</message>
		<message>
			<source>Leave</source>
			<translation>Lassen</translation>
		</message>
		<message>
			<source>Leave as it is</source>
			<translation>Lassen, wie es ist</translation>
		</message>
		<message>
			<source>Leave both</source>
			<translation>Beide lassen</translation>
		</message>
		<message>
			<source>Leave it</source>
			<translation>Lassen</translation>
		</message>
		<message>
			<source>Leave out</source>
			<translation>Auslassen</translation>
		</message>
		<message>
			<source>Leave out of the measures</source>
			<translation>Von den Messungen auslassen</translation>
		</message>
		<message>
			<source>Left</source>
			<translation>Rest</translation>
		</message>
		<message>
			<source>Left out: %1</source>
			<translation>Ausgelassen: %1</translation>
		</message>
		<message>
			<source>Left to right</source>
			<translation>Links gegen rechts</translation>
		</message>
		<message>
			<source>Left, Right</source>
			<translation>Links, Rechts</translation>
		</message>
		<message>
			<source>Left, ΔE</source>
			<translation>Rest, ΔE</translation>
		</message>
		<message>
			<source>Left: %1</source>
			<translation>Links: %1</translation>
		</message>
		<message>
			<source>Lens</source>
			<translation>Objektiv</translation>
		</message>
		<message>
			<source>Lens corrected</source>
			<translation>Objektiv berichtigt</translation>
		</message>
		<message>
			<source>Lens not corrected</source>
			<translation>Objektiv nicht berichtigt</translation>
		</message>
		<message>
			<source>Lens of %1 frames</source>
			<translation>Objektiv von %1 Aufnahmen</translation>
		</message>
		<message>
			<source>Lens, bow, fringes and falloff to the other frames chosen</source>
			<translation>Objektiv, Wölbung, Farbsäume und Randabfall auf die anderen gewählten Aufnahmen</translation>
		</message>
		<message>
			<source>Let a finding stand with a reason; it opens again when it gets worse.</source>
			<translation>Einen Befund mit Begründung stehen lassen; wird er ärger, öffnet er sich wieder.</translation>
		</message>
		<message>
			<source>Let it stand, with the reason; it opens again when it gets worse</source>
			<translation>Mit Begründung stehen lassen; wird es ärger, öffnet es sich wieder</translation>
		</message>
		<message>
			<source>Lets go of the value that is kept here; the one that travels counts again</source>
			<translation>Lässt den hier festgehaltenen Wert los; der reisende gilt wieder</translation>
		</message>
		<message>
			<source>Letter</source>
			<translation>Letter</translation>
		</message>
		<message>
			<source>Level with</source>
			<translation>Gleich mit</translation>
		</message>
		<message>
			<source>Library</source>
			<translation>Sammlung</translation>
		</message>
		<message>
			<source>Lifts muted colours more than strong ones, below 0 drains them</source>
			<translation>Hebt gedämpfte Farben mehr als kräftige, unter 0 entzieht es ihnen</translation>
		</message>
		<message>
			<source>Light</source>
			<translation>Licht</translation>
		</message>
		<message>
			<source>Light %1</source>
			<translation>Licht %1</translation>
		</message>
		<message>
			<source>Light %1 (%2)</source>
			<translation>Licht %1 (%2)</translation>
		</message>
		<message>
			<source>Light and colour from %1, in part</source>
			<translation>Licht und Farbe von %1, zum Teil</translation>
		</message>
		<message>
			<source>Light group</source>
			<translation>Lichtgruppe</translation>
		</message>
		<message>
			<source>Light group made</source>
			<translation>Lichtgruppe angelegt</translation>
		</message>
		<message>
			<source>Light group named</source>
			<translation>Lichtgruppe benannt</translation>
		</message>
		<message>
			<source>Light groups: move frames, make, name, join and part groups, choose which frame stands for one</source>
			<translation>Lichtgruppen: Aufnahmen umlegen, Gruppen anlegen, benennen, verbinden und trennen, wählen, welche Aufnahme für eine steht</translation>
		</message>
		<message>
			<source>Light of this frame moved by %1 stops, white to %2 K, tint %3</source>
			<translation>Licht dieser Aufnahme um %1 Blenden bewegt, Weiß auf %2 K, Tönung %3</translation>
		</message>
		<message>
			<source>Light or frame</source>
			<translation>Licht oder Aufnahme</translation>
		</message>
		<message>
			<source>Lightest tone the step touches</source>
			<translation>Hellster Ton, den der Schritt berührt</translation>
		</message>
		<message>
			<source>Lightness</source>
			<translation>Helligkeit</translation>
		</message>
		<message>
			<source>Lightness of black on a print: 0 is as it is</source>
			<translation>Helligkeit von Schwarz auf einem Druck: 0 ist, wie es ist</translation>
		</message>
		<message>
			<source>Lightness of the chosen colour</source>
			<translation>Helligkeit der gewählten Farbe</translation>
		</message>
		<message>
			<source>Lightness of the sampled colour</source>
			<translation>Helligkeit der abgetasteten Farbe</translation>
		</message>
		<message>
			<source>Lightness of white on a print: 1 is bare paper</source>
			<translation>Helligkeit von Weiß auf einem Druck: 1 ist blankes Papier</translation>
		</message>
		<message>
			<source>Lightness only</source>
			<translation>Nur Helligkeit</translation>
		</message>
		<message>
			<source>Lights</source>
			<translation>Lichter</translation>
		</message>
		<message>
			<source>Lights are told apart once all frames are read.</source>
			<translation>Lichter werden unterschieden, sobald alle Aufnahmen gelesen sind.</translation>
		</message>
		<message>
			<source>Lights are told apart once all frames are read; then their pages stand here.</source>
			<translation>Lichter werden unterschieden, sobald alle Aufnahmen gelesen sind; dann stehen hier ihre Seiten.</translation>
		</message>
		<message>
			<source>Lights told apart anew</source>
			<translation>Lichter neu unterschieden</translation>
		</message>
		<message>
			<source>Lights, and how far each lies from the match</source>
			<translation>Lichter, und wie weit jedes von der Vorlage liegt</translation>
		</message>
		<message>
			<source>Likely: %1.</source>
			<translation>Wahrscheinlich: %1.</translation>
		</message>
		<message>
			<source>Limit</source>
			<translation>Grenze</translation>
		</message>
		<message>
			<source>Limit of %1</source>
			<translation>Grenze von %1</translation>
		</message>
		<message>
			<source>Limits</source>
			<translation>Grenzen</translation>
		</message>
		<message>
			<source>Limits by check</source>
			<translation>Grenzen nach Prüfung</translation>
		</message>
		<message>
			<source>Limits of %1</source>
			<translation>Grenzen von %1</translation>
		</message>
		<message>
			<source>Limits…</source>
			<translation>Grenzen …</translation>
		</message>
		<message>
			<source>Line %1</source>
			<translation>Linie %1</translation>
		</message>
		<message>
			<source>Local contrast</source>
			<translation>Örtlicher Kontrast</translation>
		</message>
		<message>
			<source>Local contrast pays with drained reds and rough skin.</source>
			<translation>Örtlicher Kontrast bezahlt mit ausgezehrtem Rot und rauer Haut.</translation>
		</message>
		<message>
			<source>Local contrast's price</source>
			<translation>Preis des örtlichen Kontrasts</translation>
		</message>
		<message>
			<source>Log</source>
			<translation>Protokoll</translation>
		</message>
		<message>
			<source>Longer side in pixels</source>
			<translation>Längere Seite in Pixeln</translation>
		</message>
		<message>
			<source>Look</source>
			<translation>Look</translation>
		</message>
		<message>
			<source>Look brought in</source>
			<translation>Look hereingeholt</translation>
		</message>
		<message>
			<source>Look duplicated</source>
			<translation>Look verdoppelt</translation>
		</message>
		<message>
			<source>Look for every role on every frame</source>
			<translation>Sucht jede Rolle auf jeder Aufnahme</translation>
		</message>
		<message>
			<source>Look for the role on every frame where nobody decided it: what needs no mark, and what is marked on other frames</source>
			<translation>Sucht die Rolle auf jeder Aufnahme, auf der noch niemand entschied: was keine Marke braucht und was auf anderen Aufnahmen markiert ist</translation>
		</message>
		<message>
			<source>Look it over</source>
			<translation>Durchsehen</translation>
		</message>
		<message>
			<source>Look made</source>
			<translation>Look angelegt</translation>
		</message>
		<message>
			<source>Look of %1</source>
			<translation>Look von %1</translation>
		</message>
		<message>
			<source>Look renamed</source>
			<translation>Look umbenannt</translation>
		</message>
		<message>
			<source>Look up</source>
			<translation>Nachschlagen</translation>
		</message>
		<message>
			<source>Look, areas, match</source>
			<translation>Look, Bereiche, Vorlage</translation>
		</message>
		<message>
			<source>Look, complete (*.amberlook *.json);;Recipe to read or print (*.pdf *.txt);;Lookup table (*.cube *.clf);;Hald picture, 16 bits (*.png);;ASC CDL, nearest fit (*.cc *.ccc *.cdl)</source>
			<translation>Look, vollständig (*.amberlook *.json);;Rezept zum Lesen oder Drucken (*.pdf *.txt);;Tabelle (*.cube *.clf);;Hald-Bild, 16 Bit (*.png);;ASC CDL, nächste Annäherung (*.cc *.ccc *.cdl)</translation>
		</message>
		<message>
			<source>Looking at %1…</source>
			<translation>%1 wird angesehen …</translation>
		</message>
		<message>
			<source>Looking for pictures that are not where they were…</source>
			<translation>Bilder, die nicht sind, wo sie waren, werden gesucht …</translation>
		</message>
		<message>
			<source>Looking for the colour card…</source>
			<translation>Die Farbkarte wird gesucht …</translation>
		</message>
		<message>
			<source>Looking for the same things in both…</source>
			<translation>Dieselben Dinge in beiden werden gesucht …</translation>
		</message>
		<message>
			<source>Looking it over…</source>
			<translation>Wird durchgesehen …</translation>
		</message>
		<message>
			<source>Looks</source>
			<translation>Looks</translation>
		</message>
		<message>
			<source>Looks (*.amberlook *.json)</source>
			<translation>Looks (*.amberlook *.json)</translation>
		</message>
		<message>
			<source>Looks by light and frame</source>
			<translation>Looks nach Licht und Aufnahme</translation>
		</message>
		<message>
			<source>Looks of this job</source>
			<translation>Looks dieses Auftrags</translation>
		</message>
		<message>
			<source>Looks, nearest first</source>
			<translation>Looks, der nächste zuerst</translation>
		</message>
		<message>
			<source>Lookup table</source>
			<translation>Tabelle</translation>
		</message>
		<message>
			<source>Lookup table file</source>
			<translation>Tabellendatei</translation>
		</message>
		<message>
			<source>Lookup tables (*.cube *.clf *.png *.cc *.ccc *.cdl)</source>
			<translation>Tabellen (*.cube *.clf *.png *.cc *.ccc *.cdl)</translation>
		</message>
		<message>
			<source>Made for</source>
			<translation>Gemacht für</translation>
		</message>
		<message>
			<source>Made for: %1</source>
			<translation>Gemacht für: %1</translation>
		</message>
		<message>
			<source>Made for: %1
Limits: %2</source>
			<translation>Gemacht für: %1
Grenzen: %2</translation>
		</message>
		<message>
			<source>Make</source>
			<translation>Anlegen</translation>
		</message>
		<message>
			<source>Make the version</source>
			<translation>Fassung anlegen</translation>
		</message>
		<message>
			<source>Makes things wider, below 1 taller: this changes their shape</source>
			<translation>Macht Dinge breiter, unter 1 höher: das ändert ihre Form</translation>
		</message>
		<message>
			<source>Many steps</source>
			<translation>Viele Schritte</translation>
		</message>
		<message>
			<source>Map: chroma</source>
			<translation>Karte: Buntheit</translation>
		</message>
		<message>
			<source>Map: hue</source>
			<translation>Karte: Farbton</translation>
		</message>
		<message>
			<source>Map: lightness</source>
			<translation>Karte: Helligkeit</translation>
		</message>
		<message>
			<source>Maps: middle grey where a version agrees with the look as it is now; lighter is more, darker is less. Full at ΔL 0.1, ΔC 0.05</source>
			<translation>Karten: Mittelgrau, wo eine Fassung dem Look gleicht, wie er jetzt ist; heller ist mehr, dunkler weniger. Voll bei ΔL 0,1, ΔC 0,05</translation>
		</message>
		<message>
			<source>Mark</source>
			<translation>Marken</translation>
		</message>
		<message>
			<source>Mark a coloured key colour on the picture first</source>
			<translation>Markieren Sie zuerst eine bunte Leitfarbe auf dem Bild</translation>
		</message>
		<message>
			<source>Mark a key colour: click it, or drag a region, and name it. Proof finds it on the other frames.</source>
			<translation>Markieren Sie eine Leitfarbe: anklicken oder ein Feld ziehen und benennen. Die Prüfung findet sie auf den anderen Aufnahmen.</translation>
		</message>
		<message>
			<source>Mark clipped pixels; F12 while it is held</source>
			<translation>Abgeschnittene Pixel markieren; F12, solange gedrückt</translation>
		</message>
		<message>
			<source>Mark colours that cannot be shown</source>
			<translation>Farben markieren, die nicht zu zeigen sind</translation>
		</message>
		<message>
			<source>Mark key colours</source>
			<translation>Leitfarben markieren</translation>
		</message>
		<message>
			<source>Mark key colours on a frame in Look first (%1); Measure finds them on the others.</source>
			<translation>Markieren Sie zuerst Leitfarben auf einer Aufnahme im Look (%1); Messen findet sie auf den anderen.</translation>
		</message>
		<message>
			<source>Mark key colours, regions to read or to leave out, and the planned crop</source>
			<translation>Leitfarben, zu lesende oder auszulassende Felder und den geplanten Ausschnitt markieren</translation>
		</message>
		<message>
			<source>Mark key colours: they are measured after every step.</source>
			<translation>Leitfarben markieren: sie werden nach jedem Schritt gemessen.</translation>
		</message>
		<message>
			<source>Mark on the picture</source>
			<translation>Auf dem Bild markieren</translation>
		</message>
		<message>
			<source>Marks pixels at the ends; F12 while it is held</source>
			<translation>Markiert Pixel an den Enden; F12, solange gedrückt</translation>
		</message>
		<message>
			<source>Match</source>
			<translation>Vorlage</translation>
		</message>
		<message>
			<source>Match by eye</source>
			<translation>Nach Auge angleichen</translation>
		</message>
		<message>
			<source>Match by eye: move</source>
			<translation>Nach Auge angleichen: bewegen</translation>
		</message>
		<message>
			<source>Match by eye: move one step until two pictures are alike.</source>
			<translation>Nach Auge angleichen: einen Schritt bewegen, bis zwei Bilder gleich sind.</translation>
		</message>
		<message>
			<source>Match to</source>
			<translation>Angleichen an</translation>
		</message>
		<message>
			<source>Match to %1</source>
			<translation>Angleichung an %1</translation>
		</message>
		<message>
			<source>Match to %1 in all lights</source>
			<translation>Angleichung an %1 in allen Lichtern</translation>
		</message>
		<message>
			<source>Mean difference from the surroundings, L*; taken by local contrast</source>
			<translation>Mittlerer Unterschied zur Umgebung, L*; durch örtlichen Kontrast übernommen</translation>
		</message>
		<message>
			<source>Mean tone %1, contrast %2. Clipped at black: red %3 %, green %4 %, blue %5 %. Clipped at white: red %6 %, green %7 %, blue %8 %.</source>
			<translation>Mittlerer Ton %1, Kontrast %2. Bei Schwarz abgeschnitten: Rot %3 %, Grün %4 %, Blau %5 %. Bei Weiß abgeschnitten: Rot %6 %, Grün %7 %, Blau %8 %.</translation>
		</message>
		<message>
			<source>Mean ΔE00 as each step is added</source>
			<translation>Mittlere ΔE00, wenn jeder Schritt hinzukommt</translation>
		</message>
		<message>
			<source>Measure</source>
			<translation>Messen</translation>
		</message>
		<message>
			<source>Measured here: a look moves what it meets.</source>
			<translation>Hier gemessen: ein Look bewegt, was er antrifft.</translation>
		</message>
		<message>
			<source>Measured here; the formula stands in the step's description.</source>
			<translation>Hier gemessen; die Formel steht in der Beschreibung des Schritts.</translation>
		</message>
		<message>
			<source>Measured on greys with two dyes of chroma 0.05.</source>
			<translation>An Graufeldern mit zwei Farben der Buntheit 0,05 gemessen.</translation>
		</message>
		<message>
			<source>Measured on test colours: the whole step, or the control under the pointer or with the focus</source>
			<translation>An Prüffarben gemessen: der ganze Schritt oder das Bedienfeld unter dem Zeiger oder mit dem Fokus</translation>
		</message>
		<message>
			<source>Measures every frame as it will be handed over; what is known already is not measured again</source>
			<translation>Misst jede Aufnahme, wie sie übergeben wird; was schon bekannt ist, wird nicht noch einmal gemessen</translation>
		</message>
		<message>
			<source>Measuring…</source>
			<translation>Wird gemessen …</translation>
		</message>
		<message>
			<source>Median CIEDE2000 left between what is seen in both frames</source>
			<translation>Median CIEDE2000, der zwischen dem bleibt, was beide Aufnahmen zeigen</translation>
		</message>
		<message>
			<source>Merge into one frame</source>
			<translation>Zu einer Aufnahme vereinigen</translation>
		</message>
		<message>
			<source>Merged into %1. %2 % of it moved between the exposures and was taken from the best one alone.</source>
			<translation>Zu %1 vereinigt. %2 % davon bewegten sich zwischen den Belichtungen und sind nur aus der besten genommen.</translation>
		</message>
		<message>
			<source>Mid</source>
			<translation>Mitte</translation>
		</message>
		<message>
			<source>Middle</source>
			<translation>Mitte</translation>
		</message>
		<message>
			<source>Middle of the range of hues</source>
			<translation>Mitte des Farbtonbereichs</translation>
		</message>
		<message>
			<source>Middle to corners</source>
			<translation>Mitte gegen Ecken</translation>
		</message>
		<message>
			<source>Minutes at work before a rest is proposed</source>
			<translation>Minuten an der Arbeit, bevor eine Pause vorgeschlagen wird</translation>
		</message>
		<message>
			<source>Mired: above 0 as under a warmer light, below as under a cooler one</source>
			<translation>Mired: über 0 wie unter wärmerem Licht, darunter wie unter kühlerem</translation>
		</message>
		<message>
			<source>Mirrored</source>
			<translation>Gespiegelt</translation>
		</message>
		<message>
			<source>Mirrored, or smooth</source>
			<translation>Gespiegelt oder weich</translation>
		</message>
		<message>
			<source>Mixed light</source>
			<translation>Mischlicht</translation>
		</message>
		<message>
			<source>Mode</source>
			<translation>Art</translation>
		</message>
		<message>
			<source>Mood</source>
			<translation>Stimmung</translation>
		</message>
		<message>
			<source>Most chroma the step touches</source>
			<translation>Höchste Buntheit, die der Schritt berührt</translation>
		</message>
		<message>
			<source>Most ink, all inks together</source>
			<translation>Höchster Farbauftrag, alle Druckfarben zusammen</translation>
		</message>
		<message>
			<source>Move one step until your picture is the reference.</source>
			<translation>Bewegen Sie einen Schritt, bis Ihr Bild die Vorlage ist.</translation>
		</message>
		<message>
			<source>Moved later, and tints</source>
			<translation>Später bewegt, und Tonungen</translation>
		</message>
		<message>
			<source>Multiply</source>
			<translation>Multiplizieren</translation>
		</message>
		<message>
			<source>N</source>
			<translation>N</translation>
		</message>
		<message>
			<source>N, Shift+N</source>
			<translation>N, Umschalt+N</translation>
		</message>
		<message>
			<source>Name</source>
			<translation>Name</translation>
		</message>
		<message>
			<source>Name as a group…</source>
			<translation>Als Gruppe benennen …</translation>
		</message>
		<message>
			<source>Name of the family</source>
			<translation>Name der Familie</translation>
		</message>
		<message>
			<source>Name of the look</source>
			<translation>Name des Looks</translation>
		</message>
		<message>
			<source>Name of the recipe</source>
			<translation>Name des Rezepts</translation>
		</message>
		<message>
			<source>Name of the route</source>
			<translation>Name des Wegs</translation>
		</message>
		<message>
			<source>Name of the use</source>
			<translation>Name des Zwecks</translation>
		</message>
		<message>
			<source>Name the family</source>
			<translation>Die Familie nennen</translation>
		</message>
		<message>
			<source>Name the family: which family of hues owns a colour.</source>
			<translation>Die Familie nennen: welcher Farbtonfamilie eine Farbe gehört.</translation>
		</message>
		<message>
			<source>Names</source>
			<translation>Namen</translation>
		</message>
		<message>
			<source>Name…</source>
			<translation>Benennen …</translation>
		</message>
		<message>
			<source>Near black: every step should part from the one before it, from 4 on at the latest</source>
			<translation>Nahe Schwarz: jede Stufe soll sich von der davor abheben, spätestens ab 4</translation>
		</message>
		<message>
			<source>Near clipping</source>
			<translation>Fast abgeschnitten</translation>
		</message>
		<message>
			<source>Near white: every step should part from the one before it, from 252 on at the latest</source>
			<translation>Nahe Weiß: jede Stufe soll sich von der davor abheben, spätestens ab 252</translation>
		</message>
		<message>
			<source>Near-blacks</source>
			<translation>Fast Schwarz</translation>
		</message>
		<message>
			<source>Near-whites</source>
			<translation>Fast Weiß</translation>
		</message>
		<message>
			<source>Nearest looks</source>
			<translation>Nächste Looks</translation>
		</message>
		<message>
			<source>Nearest looks…</source>
			<translation>Nächste Looks …</translation>
		</message>
		<message>
			<source>Neighbouring families tapered</source>
			<translation>Nachbarfamilien auslaufend</translation>
		</message>
		<message>
			<source>Neutral trail</source>
			<translation>Neutrale Spur</translation>
		</message>
		<message>
			<source>Neutrals</source>
			<translation>Neutrales</translation>
		</message>
		<message>
			<source>New</source>
			<translation>Neu</translation>
		</message>
		<message>
			<source>New look</source>
			<translation>Neuer Look</translation>
		</message>
		<message>
			<source>New pin…</source>
			<translation>Neuer Merker …</translation>
		</message>
		<message>
			<source>New role</source>
			<translation>Neue Rolle</translation>
		</message>
		<message>
			<source>New role…</source>
			<translation>Neue Rolle …</translation>
		</message>
		<message>
			<source>New set</source>
			<translation>Neue Auswahl</translation>
		</message>
		<message>
			<source>New set of this frame and its companions…</source>
			<translation>Neue Auswahl aus dieser Aufnahme und ihren Begleitern …</translation>
		</message>
		<message>
			<source>Next</source>
			<translation>Weiter</translation>
		</message>
		<message>
			<source>Next: %1</source>
			<translation>Weiter: %1</translation>
		</message>
		<message>
			<source>No</source>
			<translation>Nein</translation>
		</message>
		<message>
			<source>No colour of skin here; 20 mired move all others by ΔE %1.</source>
			<translation>Hier ist keine Hautfarbe; 20 Mired bewegen alle anderen um ΔE %1.</translation>
		</message>
		<message>
			<source>No cure: %1.</source>
			<translation>Keine Abhilfe: %1.</translation>
		</message>
		<message>
			<source>No dyes</source>
			<translation>Keine Farben</translation>
		</message>
		<message>
			<source>No file is heavier: the quality is sought, up to the one above</source>
			<translation>Keine Datei ist schwerer: die Qualität wird gesucht, bis zur oben genannten</translation>
		</message>
		<message>
			<source>No flicker between versions, no menus that fade or slide</source>
			<translation>Kein Wechsel zwischen Fassungen, keine Menüs, die einblenden oder gleiten</translation>
		</message>
		<message>
			<source>No frame in hand</source>
			<translation>Keine Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>No frame is like that.</source>
			<translation>Keine Aufnahme ist so.</translation>
		</message>
		<message>
			<source>No frame to measure on.</source>
			<translation>Keine Aufnahme, an der zu messen wäre.</translation>
		</message>
		<message>
			<source>No frames of your own are open.</source>
			<translation>Keine eigenen Aufnahmen sind offen.</translation>
		</message>
		<message>
			<source>No frames yet</source>
			<translation>Noch keine Aufnahmen</translation>
		</message>
		<message>
			<source>No frames yet.</source>
			<translation>Noch keine Aufnahmen.</translation>
		</message>
		<message>
			<source>No job is open</source>
			<translation>Kein Auftrag ist offen</translation>
		</message>
		<message>
			<source>No lead</source>
			<translation>Keine Leitaufnahme</translation>
		</message>
		<message>
			<source>No longer</source>
			<translation>Nicht mehr</translation>
		</message>
		<message>
			<source>No longer a place of the library</source>
			<translation>Kein Ort der Sammlung mehr</translation>
		</message>
		<message>
			<source>No longer held back from %1</source>
			<translation>%1 nicht mehr geschont</translation>
		</message>
		<message>
			<source>No longer watch %1</source>
			<translation>%1 nicht mehr beobachten</translation>
		</message>
		<message>
			<source>No look of its own for light %1</source>
			<translation>Kein eigener Look für das Licht %1</translation>
		</message>
		<message numerus="yes">
			<source>No look of their own for %n frame(s)</source>
			<translation>
				<numerusform>Kein eigener Look für %n Aufnahme</numerusform>
				<numerusform>Kein eigener Look für %n Aufnahmen</numerusform>
			</translation>
		</message>
		<message>
			<source>No look of this job has “%1” in its name, mood or steps.</source>
			<translation>Kein Look dieses Auftrags hat „%1“ in Name, Stimmung oder Schritten.</translation>
		</message>
		<message>
			<source>No mood written.</source>
			<translation>Keine Stimmung geschrieben.</translation>
		</message>
		<message>
			<source>No pictures in %1.</source>
			<translation>Keine Bilder in %1.</translation>
		</message>
		<message>
			<source>No pictures in this folder.</source>
			<translation>In diesem Ordner sind keine Bilder.</translation>
		</message>
		<message>
			<source>No pin is open.</source>
			<translation>Kein Merker ist offen.</translation>
		</message>
		<message>
			<source>No profile is known for this screen: it is taken for an sRGB screen.</source>
			<translation>Für diesen Schirm ist kein Profil bekannt: er gilt als sRGB-Schirm.</translation>
		</message>
		<message>
			<source>No recipe is chosen.</source>
			<translation>Es ist kein Rezept gewählt.</translation>
		</message>
		<message>
			<source>No reference yet</source>
			<translation>Noch keine Vorlage</translation>
		</message>
		<message>
			<source>No sitting yet</source>
			<translation>Noch keine Sitzung</translation>
		</message>
		<message>
			<source>No such version.</source>
			<translation>Eine solche Fassung gibt es nicht.</translation>
		</message>
		<message>
			<source>No table yet. Open a table file, or drop one here.</source>
			<translation>Noch keine Tabelle. Öffnen Sie eine Tabellendatei, oder legen Sie eine hier ab.</translation>
		</message>
		<message>
			<source>No turn, no lean, no crop</source>
			<translation>Keine Drehung, keine Neigung, kein Ausschnitt</translation>
		</message>
		<message>
			<source>No white is right for all of the frame: one part stays cold or warm.</source>
			<translation>Kein Weiß passt für die ganze Aufnahme: ein Teil bleibt kalt oder warm.</translation>
		</message>
		<message>
			<source>Nobody was asked. Tick “ask for an answer” before handing over.</source>
			<translation>Es wurde niemand gefragt. Haken Sie vor der Übergabe „um Antwort bitten“ an.</translation>
		</message>
		<message>
			<source>Noise</source>
			<translation>Rauschen</translation>
		</message>
		<message>
			<source>Noise of %1 frames by sensitivity</source>
			<translation>Rauschen von %1 Aufnahmen nach Empfindlichkeit</translation>
		</message>
		<message>
			<source>Noise of a frame</source>
			<translation>Rauschen einer Aufnahme</translation>
		</message>
		<message>
			<source>Noise taken off by %1 %</source>
			<translation>Rauschen um %1 % gemindert</translation>
		</message>
		<message>
			<source>Noise that is seen at the delivered size covers fine tones.</source>
			<translation>Rauschen, das in der gelieferten Größe zu sehen ist, deckt feine Töne zu.</translation>
		</message>
		<message>
			<source>None of the pictures can be read.</source>
			<translation>Keines der Bilder ist zu lesen.</translation>
		</message>
		<message>
			<source>None of them is there: their content is what tells.</source>
			<translation>Keines davon ist da: ihr Inhalt entscheidet.</translation>
		</message>
		<message>
			<source>None. What one step does, no other takes back.</source>
			<translation>Keine. Was ein Schritt macht, nimmt kein anderer zurück.</translation>
		</message>
		<message>
			<source>None: take it for sRGB</source>
			<translation>Keines: wie sRGB behandeln</translation>
		</message>
		<message>
			<source>Normal</source>
			<translation>Normal</translation>
		</message>
		<message>
			<source>Not %1</source>
			<translation>Nicht %1</translation>
		</message>
		<message>
			<source>Not done</source>
			<translation>Nicht erledigt</translation>
		</message>
		<message>
			<source>Not done (D)</source>
			<translation>Nicht erledigt (D)</translation>
		</message>
		<message>
			<source>Not here</source>
			<translation>Nicht hier</translation>
		</message>
		<message>
			<source>Not here on the rest</source>
			<translation>Auf den übrigen nicht da</translation>
		</message>
		<message>
			<source>Not in this frame</source>
			<translation>Nicht auf dieser Aufnahme</translation>
		</message>
		<message>
			<source>Not now</source>
			<translation>Nicht jetzt</translation>
		</message>
		<message>
			<source>Not played yet.</source>
			<translation>Noch nicht gespielt.</translation>
		</message>
		<message>
			<source>Not saved: %1. The change is still on screen and is saved with the next one, once there is room.</source>
			<translation>Nicht gespeichert: %1. Die Änderung steht noch auf dem Schirm und wird mit der nächsten gespeichert, sobald Platz ist.</translation>
		</message>
		<message>
			<source>Not seen in this frame</source>
			<translation>Auf dieser Aufnahme nicht gesehen</translation>
		</message>
		<message>
			<source>Not shown: %1.</source>
			<translation>Nicht gezeigt: %1.</translation>
		</message>
		<message>
			<source>Not sure, %1 %.</source>
			<translation>Nicht sicher, %1 %.</translation>
		</message>
		<message>
			<source>Not sure: by one edge, which may be seen from aside.</source>
			<translation>Nicht sicher: nach einer Kante, die von der Seite gesehen sein kann.</translation>
		</message>
		<message>
			<source>Not sure: no long straight edges near the level.</source>
			<translation>Nicht sicher: keine langen geraden Kanten nahe der Waage.</translation>
		</message>
		<message>
			<source>Not sure: the uprights of this picture do not meet.</source>
			<translation>Nicht sicher: die Senkrechten dieses Bildes treffen sich nicht.</translation>
		</message>
		<message>
			<source>Not used: %1.</source>
			<translation>Nicht verwendet: %1.</translation>
		</message>
		<message>
			<source>Not where it was</source>
			<translation>Nicht, wo es war</translation>
		</message>
		<message>
			<source>Note</source>
			<translation>Anmerkung</translation>
		</message>
		<message>
			<source>Note written</source>
			<translation>Notiz geschrieben</translation>
		</message>
		<message>
			<source>Note, for the day you come back to it</source>
			<translation>Notiz, für den Tag, an dem Sie darauf zurückkommen</translation>
		</message>
		<message>
			<source>Notes</source>
			<translation>Sätze</translation>
		</message>
		<message>
			<source>Nothing can be written into %1</source>
			<translation>In %1 lässt sich nichts schreiben</translation>
		</message>
		<message>
			<source>Nothing can be written into this folder: its job is kept in %1.</source>
			<translation>In diesen Ordner kann nichts geschrieben werden: sein Auftrag liegt in %1.</translation>
		</message>
		<message>
			<source>Nothing handed over yet.</source>
			<translation>Noch nichts übergeben.</translation>
		</message>
		<message>
			<source>Nothing in the library has “%1”.</source>
			<translation>Nichts in der Sammlung hat „%1“.</translation>
		</message>
		<message>
			<source>Nothing is ever enlarged</source>
			<translation>Nichts wird je vergrößert</translation>
		</message>
		<message>
			<source>Nothing is open.</source>
			<translation>Nichts ist offen.</translation>
		</message>
		<message>
			<source>Nothing is out. Frames that are sent go with an identity in them: when they come back they take their frame's place, and only the steps that are not in them run.</source>
			<translation>Nichts ist unterwegs. Gesandte Aufnahmen tragen eine Kennung: kommen sie zurück, treten sie an die Stelle ihrer Aufnahme, und nur die Schritte laufen, die nicht schon darin sind.</translation>
		</message>
		<message>
			<source>Nothing is past its limit.</source>
			<translation>Nichts ist über seiner Grenze.</translation>
		</message>
		<message>
			<source>Nothing is pinned yet: Pin keeps the look as it is now, and it comes to stand here.</source>
			<translation>Noch ist nichts festgehalten: Halten bewahrt den Look, wie er jetzt ist, und er steht dann hier.</translation>
		</message>
		<message>
			<source>Nothing is surely the look's: take the rows you want yourself.</source>
			<translation>Nichts kommt sicher vom Look: übernehmen Sie selbst die Zeilen, die Sie wollen.</translation>
		</message>
		<message>
			<source>Nothing marked</source>
			<translation>Nichts markiert</translation>
		</message>
		<message>
			<source>Nothing of the pictures changed.</source>
			<translation>An den Bildern änderte sich nichts.</translation>
		</message>
		<message>
			<source>Nothing proposed. Solve looks at the frames and proposes; you take what you like.</source>
			<translation>Nichts vorgeschlagen. Lösen sieht die Aufnahmen an und schlägt vor; Sie übernehmen, was Ihnen gefällt.</translation>
		</message>
		<message>
			<source>Nothing stands out.</source>
			<translation>Nichts sticht heraus.</translation>
		</message>
		<message>
			<source>Nothing to edit yet. Add a step with + on the step line above (Insert when it has the focus).</source>
			<translation>Noch nichts zu bearbeiten. Fügen Sie oben in der Schrittfolge mit + einen Schritt hinzu (Einfg, wenn sie den Fokus hat).</translation>
		</message>
		<message>
			<source>Nothing to match to yet</source>
			<translation>Noch keine Vorlage</translation>
		</message>
		<message>
			<source>Nothing to measure on any frame: %1</source>
			<translation>Auf keiner Aufnahme etwas zu messen: %1</translation>
		</message>
		<message>
			<source>Nothing to measure yet.</source>
			<translation>Noch nichts zu messen.</translation>
		</message>
		<message>
			<source>Nothing to redo</source>
			<translation>Nichts zu wiederholen</translation>
		</message>
		<message>
			<source>Nothing to undo</source>
			<translation>Nichts rückgängig zu machen</translation>
		</message>
		<message>
			<source>Nothing was looked over yet.</source>
			<translation>Noch wurde nichts durchgesehen.</translation>
		</message>
		<message>
			<source>Nothing was written. %1</source>
			<translation>Nichts wurde geschrieben. %1</translation>
		</message>
		<message>
			<source>Nothing: every frame has the look as it travels.</source>
			<translation>Nichts: jede Aufnahme hat den Look, wie er reist.</translation>
		</message>
		<message>
			<source>Nothing: what was set has stayed.</source>
			<translation>Nichts: was gesetzt war, blieb.</translation>
		</message>
		<message>
			<source>Numbers of a part</source>
			<translation>Zahlen eines Teils</translation>
		</message>
		<message>
			<source>OKLCh chroma of the tint: 0.01 is a hint, 0.03 plain to see</source>
			<translation>OKLCh-Buntheit der Tonung: 0,01 ist ein Hauch, 0,03 deutlich zu sehen</translation>
		</message>
		<message>
			<source>OKLCh hue in degrees</source>
			<translation>OKLCh-Farbton in Grad</translation>
		</message>
		<message>
			<source>Of %1 different codes of 8 bits in this frame, an S of slope 1.4 leaves %2.</source>
			<translation>Von %1 verschiedenen 8-Bit-Codes dieser Aufnahme lässt ein S mit Steigung 1,4 noch %2.</translation>
		</message>
		<message>
			<source>Of 256 greys this look leaves %1, and its widest step between neighbours is %2 codes.</source>
			<translation>Von 256 Graustufen lässt dieser Look %1, und seine weiteste Stufe zwischen Nachbarn ist %2 Codes.</translation>
		</message>
		<message>
			<source>Of this picture's colour %1 % lands in the plan and %2 % fights it.</source>
			<translation>Von der Farbe dieses Bildes landen %1 % im Plan, und %2 % streiten mit ihm.</translation>
		</message>
		<message>
			<source>Of this step</source>
			<translation>Von diesem Schritt</translation>
		</message>
		<message>
			<source>Of which frame</source>
			<translation>Welcher Aufnahme</translation>
		</message>
		<message>
			<source>Of which kind</source>
			<translation>Welcher Art</translation>
		</message>
		<message>
			<source>Of which look</source>
			<translation>Welches Looks</translation>
		</message>
		<message>
			<source>Off as it stands</source>
			<translation>Abstand, wie es steht</translation>
		</message>
		<message>
			<source>Off plan</source>
			<translation>Neben dem Plan</translation>
		</message>
		<message>
			<source>Off: a tint costs light, as ink on paper does</source>
			<translation>Aus: eine Tonung kostet Licht, wie Farbe auf Papier</translation>
		</message>
		<message>
			<source>Off: the look is rendered without this step</source>
			<translation>Aus: der Look wird ohne diesen Schritt gerechnet</translation>
		</message>
		<message>
			<source>On</source>
			<translation>Auf</translation>
		</message>
		<message>
			<source>On %1</source>
			<translation>Auf %1</translation>
		</message>
		<message>
			<source>On companions too</source>
			<translation>Auch auf Begleitern</translation>
		</message>
		<message>
			<source>On how many frames this look lands; a look for this frame or its light</source>
			<translation>Auf wie viele Aufnahmen dieser Look kommt; ein Look für diese Aufnahme oder ihr Licht</translation>
		</message>
		<message>
			<source>On the %1 frames of the wall this one moves the mean tone by %2 to %3.</source>
			<translation>Auf den %1 Aufnahmen der Wand bewegt dieser den mittleren Ton um %2 bis %3.</translation>
		</message>
		<message>
			<source>On the frame in hand</source>
			<translation>Auf der Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>On the frame in hand: chequered where the screen, or in a proof the print, cannot give the colour</source>
			<translation>Auf der Aufnahme in Arbeit: kariert, wo der Schirm oder im Proof der Druck die Farbe nicht geben kann</translation>
		</message>
		<message>
			<source>On the frames of this job: colours that the fit has seen, and how far the look will likely end from the treatment</source>
			<translation>Auf den Aufnahmen dieses Auftrags: welche Farben die Anpassung gesehen hat, und wie weit der Look wohl von der Behandlung endet</translation>
		</message>
		<message>
			<source>On the right: the picture or a map of the difference</source>
			<translation>Rechts: das Bild oder eine Karte des Unterschieds</translation>
		</message>
		<message>
			<source>On this frame ΔE00 mean %1, 95 % below %2, at most %3; over all colours mean %4.</source>
			<translation>Auf dieser Aufnahme ΔE00 im Mittel %1, 95 % unter %2, höchstens %3; über alle Farben im Mittel %4.</translation>
		</message>
		<message>
			<source>On which frames</source>
			<translation>Auf welchen Aufnahmen</translation>
		</message>
		<message>
			<source>On which pictures</source>
			<translation>An welchen Bildern</translation>
		</message>
		<message>
			<source>Once drawn on one frame it is found again on the others.</source>
			<translation>Einmal auf einer Aufnahme gezeichnet, wird sie auf den anderen wiedergefunden.</translation>
		</message>
		<message>
			<source>One combination of keys, please.</source>
			<translation>Bitte nur eine Tastenkombination.</translation>
		</message>
		<message>
			<source>One more family in %1</source>
			<translation>Eine Familie mehr in %1</translation>
		</message>
		<message>
			<source>One number for several chosen frames, set alike or shifted alike.</source>
			<translation>Eine Zahl für mehrere gewählte Aufnahmen, gleich gesetzt oder gleich verschoben.</translation>
		</message>
		<message>
			<source>One of nine differs. Which?</source>
			<translation>Eine von neun weicht ab. Welche?</translation>
		</message>
		<message>
			<source>One or several finished pictures; where several differ, the tolerance widens</source>
			<translation>Ein oder mehrere fertige Bilder; wo mehrere sich unterscheiden, weitet sich die Toleranz</translation>
		</message>
		<message>
			<source>One person with two skins on one page is seen at once.</source>
			<translation>Ein Mensch mit zweierlei Haut auf einer Seite fällt sofort auf.</translation>
		</message>
		<message>
			<source>One picture before and after an unknown treatment: it becomes editable steps</source>
			<translation>Ein Bild vor und nach einer unbekannten Behandlung: es wird zu bearbeitbaren Schritten</translation>
		</message>
		<message>
			<source>One step, %1, would stand for both. Left over on this frame: ΔE %2 in the mean, %3 at most.</source>
			<translation>Ein Schritt, %1, stünde für beide. Rest auf dieser Aufnahme: ΔE %2 im Mittel, höchstens %3.</translation>
		</message>
		<message>
			<source>Only active time counts: a pause of more than a minute is left out. Hard frames (unsure, clipped, bracketed) have more of the budget.</source>
			<translation>Nur tätige Zeit zählt: eine Pause von mehr als einer Minute bleibt aus. Schwere Aufnahmen (unsicher, abgeschnitten, Belichtungsreihen) haben mehr von der Vorgabe.</translation>
		</message>
		<message>
			<source>Only the frame in hand has this value</source>
			<translation>Nur die Aufnahme in Arbeit hat diesen Wert</translation>
		</message>
		<message>
			<source>Only when both pictures show the same thing</source>
			<translation>Nur wenn beide Bilder dasselbe zeigen</translation>
		</message>
		<message>
			<source>Open</source>
			<translation>Öffnen</translation>
		</message>
		<message>
			<source>Open a folder</source>
			<translation>Einen Ordner öffnen</translation>
		</message>
		<message>
			<source>Open a folder of pictures</source>
			<translation>Einen Ordner mit Bildern öffnen</translation>
		</message>
		<message>
			<source>Open a folder of pictures first.</source>
			<translation>Öffnen Sie zuerst einen Ordner mit Bildern.</translation>
		</message>
		<message>
			<source>Open a folder of pictures; its job is kept beside them</source>
			<translation>Einen Ordner mit Bildern öffnen; sein Auftrag liegt neben ihnen</translation>
		</message>
		<message>
			<source>Open a folder, a job or pictures; drop them on the window; watch a folder while you shoot.</source>
			<translation>Öffnen Sie einen Ordner, einen Auftrag oder Bilder; legen Sie sie auf dem Fenster ab; beobachten Sie einen Ordner, während Sie aufnehmen.</translation>
		</message>
		<message>
			<source>Open a folder. Frames lit alike come together by themselves; pictures are never written to.</source>
			<translation>Öffnen Sie einen Ordner. Gleich beleuchtete Aufnahmen finden von selbst zusammen; in Bilder wird nie geschrieben.</translation>
		</message>
		<message>
			<source>Open a lookup table</source>
			<translation>Eine Tabelle öffnen</translation>
		</message>
		<message>
			<source>Open a table…</source>
			<translation>Eine Tabelle öffnen …</translation>
		</message>
		<message>
			<source>Open a window of its own, whatever is open already.</source>
			<translation>Öffnet ein eigenes Fenster, was immer schon offen ist.</translation>
		</message>
		<message>
			<source>Open again</source>
			<translation>Wieder öffnen</translation>
		</message>
		<message>
			<source>Open folder…</source>
			<translation>Ordner öffnen …</translation>
		</message>
		<message>
			<source>Opening…</source>
			<translation>Wird geöffnet …</translation>
		</message>
		<message>
			<source>Orchard</source>
			<translation>Obstgarten</translation>
		</message>
		<message>
			<source>Order</source>
			<translation>Reihenfolge</translation>
		</message>
		<message>
			<source>Other pictures</source>
			<translation>Andere Bilder</translation>
		</message>
		<message>
			<source>Others get the value as well; here it stays as it is</source>
			<translation>Andere bekommen den Wert auch; hier bleibt er, wie er ist</translation>
		</message>
		<message>
			<source>Ours</source>
			<translation>Unseres</translation>
		</message>
		<message>
			<source>Ours shows too little of what the reference shows to be cut like it.</source>
			<translation>Unseres zeigt zu wenig von dem, was die Vorlage zeigt, um wie sie beschnitten zu werden.</translation>
		</message>
		<message>
			<source>Outline</source>
			<translation>Umriss</translation>
		</message>
		<message>
			<source>Output sharpening</source>
			<translation>Ausgabeschärfung</translation>
		</message>
		<message>
			<source>Output sharpening at the size that is delivered</source>
			<translation>Ausgabeschärfung bei der gelieferten Größe</translation>
		</message>
		<message>
			<source>Outside its colours marked</source>
			<translation>Außerhalb seiner Farben markiert</translation>
		</message>
		<message>
			<source>Outside of a role</source>
			<translation>Außerhalb einer Rolle</translation>
		</message>
		<message>
			<source>Over all frames taken through this lens</source>
			<translation>Über alle Aufnahmen durch dieses Objektiv</translation>
		</message>
		<message>
			<source>Own stage</source>
			<translation>Eigene Station</translation>
		</message>
		<message>
			<source>Own stage, for every frame…</source>
			<translation>Eigene Station, für jede Aufnahme …</translation>
		</message>
		<message>
			<source>Own stage, once for the shoot…</source>
			<translation>Eigene Station, einmal für die Serie …</translation>
		</message>
		<message>
			<source>PNG with 16 bits</source>
			<translation>PNG mit 16 Bit</translation>
		</message>
		<message>
			<source>PNG, 16 bit</source>
			<translation>PNG, 16 Bit</translation>
		</message>
		<message>
			<source>PNG, 8 bit</source>
			<translation>PNG, 8 Bit</translation>
		</message>
		<message>
			<source>Page Up, Page Down</source>
			<translation>Bild auf, Bild ab</translation>
		</message>
		<message>
			<source>Page of known greys and colours</source>
			<translation>Seite mit bekannten Graufeldern und Farben</translation>
		</message>
		<message>
			<source>Pages (*.pdf);;One picture (*.jpg)</source>
			<translation>Seiten (*.pdf);;Ein Bild (*.jpg)</translation>
		</message>
		<message>
			<source>Pages (*.pdf);;Web page (*.html);;Data (*.json)</source>
			<translation>Seiten (*.pdf);;Webseite (*.html);;Daten (*.json)</translation>
		</message>
		<message>
			<source>Pages of the guide</source>
			<translation>Seiten des Leitfadens</translation>
		</message>
		<message>
			<source>Paint; it keeps to edges. With Shift it takes away, the wheel changes its radius (P)</source>
			<translation>Malen; er hält sich an Kanten. Mit Umschalt nimmt er weg, das Rad ändert seinen Radius (P)</translation>
		</message>
		<message>
			<source>Palette test</source>
			<translation>Palettenprobe</translation>
		</message>
		<message>
			<source>Palette test of a room, cloth or props</source>
			<translation>Palettenprobe eines Raums, von Stoff oder Requisiten</translation>
		</message>
		<message>
			<source>Palette test: see how a room, cloth or props will come out before the shoot.</source>
			<translation>Palettenprobe: vor der Aufnahme sehen, wie ein Raum, Stoff oder Requisiten herauskommen.</translation>
		</message>
		<message>
			<source>Palette test…</source>
			<translation>Palettenprobe …</translation>
		</message>
		<message>
			<source>Paper</source>
			<translation>Papier</translation>
		</message>
		<message>
			<source>Paper white</source>
			<translation>Papierweiß</translation>
		</message>
		<message>
			<source>Part inverted</source>
			<translation>Teil umgekehrt</translation>
		</message>
		<message>
			<source>Part it</source>
			<translation>Auflösen</translation>
		</message>
		<message>
			<source>Part joined otherwise</source>
			<translation>Teil anders verbunden</translation>
		</message>
		<message>
			<source>Part of an area</source>
			<translation>Teil eines Bereichs</translation>
		</message>
		<message>
			<source>Part of an area taken off</source>
			<translation>Teil eines Bereichs entfernt</translation>
		</message>
		<message>
			<source>Part of the area in hand</source>
			<translation>Der bearbeitete Teil des Bereichs</translation>
		</message>
		<message>
			<source>Paste after it</source>
			<translation>Dahinter einfügen</translation>
		</message>
		<message>
			<source>Perceptual</source>
			<translation>Wahrnehmungstreu</translation>
		</message>
		<message>
			<source>Pick neutral</source>
			<translation>Neutrales wählen</translation>
		</message>
		<message>
			<source>Picked</source>
			<translation>Aufgenommen</translation>
		</message>
		<message>
			<source>Picture</source>
			<translation>Bild</translation>
		</message>
		<message>
			<source>Picture in</source>
			<translation>Bild herein</translation>
		</message>
		<message>
			<source>Picture or map of the difference</source>
			<translation>Bild oder Karte des Unterschieds</translation>
		</message>
		<message>
			<source>Picture out</source>
			<translation>Bild hinaus</translation>
		</message>
		<message>
			<source>Pictures</source>
			<translation>Bilder</translation>
		</message>
		<message>
			<source>Pictures (%1)</source>
			<translation>Bilder (%1)</translation>
		</message>
		<message>
			<source>Pictures are known by their content: what the job has already is named and left out. Metadata files (.xmp) beside them come along.</source>
			<translation>Bilder werden an ihrem Inhalt erkannt: was der Auftrag schon hat, wird genannt und ausgelassen. Metadatendateien (.xmp) neben ihnen kommen mit.</translation>
		</message>
		<message>
			<source>Pictures from a folder or card, copied or where they lie</source>
			<translation>Bilder aus einem Ordner oder von einer Karte, kopiert oder an ihrem Ort</translation>
		</message>
		<message>
			<source>Pictures in a row</source>
			<translation>Bilder in einer Reihe</translation>
		</message>
		<message>
			<source>Pictures…</source>
			<translation>Bilder …</translation>
		</message>
		<message>
			<source>Pin</source>
			<translation>Halten</translation>
		</message>
		<message>
			<source>Pin a version with a note; compare any two; take one back from the tray.</source>
			<translation>Eine Fassung mit einer Notiz festhalten; zwei beliebige vergleichen; eine aus der Ablage zurücknehmen.</translation>
		</message>
		<message>
			<source>Pin done: %1</source>
			<translation>Merker erledigt: %1</translation>
		</message>
		<message>
			<source>Pin it</source>
			<translation>Merker setzen</translation>
		</message>
		<message>
			<source>Pin on %1</source>
			<translation>Merker auf %1</translation>
		</message>
		<message>
			<source>Pin opened again: %1</source>
			<translation>Merker wieder geöffnet: %1</translation>
		</message>
		<message>
			<source>Pin set: %1</source>
			<translation>Merker gesetzt: %1</translation>
		</message>
		<message>
			<source>Pin taken away</source>
			<translation>Merker weggenommen</translation>
		</message>
		<message>
			<source>Pin the chosen tile as a version, to come back to (B)</source>
			<translation>Das gewählte Feld als Fassung festhalten, um darauf zurückzukommen (B)</translation>
		</message>
		<message>
			<source>Pin this version</source>
			<translation>Diese Fassung festhalten</translation>
		</message>
		<message>
			<source>Pin this version of the look</source>
			<translation>Diese Fassung des Looks festhalten</translation>
		</message>
		<message>
			<source>Pin version</source>
			<translation>Fassung festhalten</translation>
		</message>
		<message>
			<source>Pinned versions side by side, with their differences</source>
			<translation>Festgehaltene Fassungen nebeneinander, mit ihren Unterschieden</translation>
		</message>
		<message>
			<source>Pins</source>
			<translation>Merker</translation>
		</message>
		<message>
			<source>Pins closed</source>
			<translation>Merker erledigt</translation>
		</message>
		<message>
			<source>Pins: what is open, from you, the checks and the client.</source>
			<translation>Merker: was offen ist, von Ihnen, den Prüfungen und dem Kunden.</translation>
		</message>
		<message>
			<source>Pixel for pixel, or fitted</source>
			<translation>Pixel für Pixel, oder eingepasst</translation>
		</message>
		<message>
			<source>Pixels per inch, said in the file; the size of a print counts with it</source>
			<translation>Pixel je Zoll, in der Datei vermerkt; die Größe eines Drucks rechnet damit</translation>
		</message>
		<message>
			<source>Pixels that are white now and were cut off when the file was written</source>
			<translation>Pixel, die jetzt weiß sind und abgeschnitten wurden, als die Datei geschrieben wurde</translation>
		</message>
		<message>
			<source>Pixels that are white now. Recoverable: the sensor holds all of them, less exposure brings them back; partly: one or two channels are gone; lost: all are</source>
			<translation>Pixel, die jetzt weiß sind. Zu retten: der Sensor hat alles, weniger Belichtung bringt es zurück; teils: ein oder zwei Kanäle fehlen; verloren: alle</translation>
		</message>
		<message>
			<source>Place of %1 confirmed</source>
			<translation>Stelle von %1 bestätigt</translation>
		</message>
		<message>
			<source>Places</source>
			<translation>Orte</translation>
		</message>
		<message>
			<source>Point at it; Enter marks while marking</source>
			<translation>Darauf zeigen; Eingabe markiert beim Markieren</translation>
		</message>
		<message>
			<source>Point at the picture to read it.</source>
			<translation>Zeigen Sie auf das Bild, um es zu lesen.</translation>
		</message>
		<message>
			<source>Point at the picture: the bench marks which handle owns that colour. Drag on it to move that handle.</source>
			<translation>Auf das Bild zeigen: die Werkbank markiert, welchem Griff diese Farbe gehört. Darauf ziehen bewegt diesen Griff.</translation>
		</message>
		<message>
			<source>Point in</source>
			<translation>Punkt ein</translation>
		</message>
		<message>
			<source>Pointer</source>
			<translation>Zeiger</translation>
		</message>
		<message>
			<source>Practice</source>
			<translation>Übung</translation>
		</message>
		<message>
			<source>Press other keys in the field. Tool tips name them from the next start on.</source>
			<translation>Drücken Sie im Feld andere Tasten. Die Hinweise nennen sie ab dem nächsten Start.</translation>
		</message>
		<message>
			<source>Press the keys</source>
			<translation>Drücken Sie die Tasten</translation>
		</message>
		<message>
			<source>Previous</source>
			<translation>Davor</translation>
		</message>
		<message>
			<source>Primaries</source>
			<translation>Primärfarben</translation>
		</message>
		<message>
			<source>Primaries and chroma</source>
			<translation>Primärfarben und Buntheit</translation>
		</message>
		<message>
			<source>Print</source>
			<translation>Druck</translation>
		</message>
		<message>
			<source>Print room</source>
			<translation>Druckraum</translation>
		</message>
		<message>
			<source>Printed perceptual</source>
			<translation>Wahrnehmungstreu gedruckt</translation>
		</message>
		<message>
			<source>Printed relative colorimetric</source>
			<translation>Relativ farbmetrisch gedruckt</translation>
		</message>
		<message>
			<source>Prints</source>
			<translation>Drucke</translation>
		</message>
		<message>
			<source>Prints in</source>
			<translation>Drucke in</translation>
		</message>
		<message>
			<source>Profile of a screen or printer</source>
			<translation>Profil eines Schirms oder Druckers</translation>
		</message>
		<message>
			<source>Profile of the receiver</source>
			<translation>Profil des Empfängers</translation>
		</message>
		<message>
			<source>Profile of this screen</source>
			<translation>Profil dieses Schirms</translation>
		</message>
		<message>
			<source>Profile, a page to judge the screen by, proofs, client view (%1)</source>
			<translation>Profil, eine Seite zur Beurteilung des Schirms, Proofs, Kundenansicht (%1)</translation>
		</message>
		<message>
			<source>Profiles (*.icc *.icm)</source>
			<translation>Profile (*.icc *.icm)</translation>
		</message>
		<message>
			<source>Profiles…</source>
			<translation>Profile …</translation>
		</message>
		<message>
			<source>Proof</source>
			<translation>Prüfung</translation>
		</message>
		<message>
			<source>Propose anew from time, exposure, camera and light</source>
			<translation>Neu vorschlagen nach Zeit, Belichtung, Kamera und Licht</translation>
		</message>
		<message>
			<source>Proposed is the exposure that loses least, black counting half. Merged in linear light they become one new frame; where something moved only the best exposed one counts.</source>
			<translation>Vorgeschlagen ist die Belichtung, die am wenigsten verliert; Schwarz zählt halb. In linearem Licht vereinigt werden sie eine neue Aufnahme; wo sich etwas bewegte, zählt nur die am besten belichtete.</translation>
		</message>
		<message>
			<source>Proposed. Kept now: %1 stops, %2 K, tint %3</source>
			<translation>Vorgeschlagen. Jetzt festgehalten: %1 Blenden, %2 K, Tönung %3</translation>
		</message>
		<message>
			<source>Put the chosen look into the library across jobs, with a picture</source>
			<translation>Den gewählten Look mit einem Bild in die Sammlung über Aufträge hinweg legen</translation>
		</message>
		<message>
			<source>Put this frame aside for a second look</source>
			<translation>Diese Aufnahme für einen zweiten Blick beiseitelegen</translation>
		</message>
		<message>
			<source>Quality of JPEG and WebP, 1 to 100</source>
			<translation>Qualität von JPEG und WebP, 1 bis 100</translation>
		</message>
		<message>
			<source>Quiet</source>
			<translation>Ruhig</translation>
		</message>
		<message>
			<source>Quiet view, 100 %, surround, theme, blind mode, second look, trial frames</source>
			<translation>Ruhige Ansicht, 100 %, Umfeld, Farbwelt, Blindmodus, zweiter Blick, Probeaufnahmen</translation>
		</message>
		<message>
			<source>Quiet view: only the picture</source>
			<translation>Ruhige Ansicht: nur das Bild</translation>
		</message>
		<message>
			<source>Quiet: fits everywhere</source>
			<translation>Ruhig: passt überall</translation>
		</message>
		<message>
			<source>Quit</source>
			<translation>Beenden</translation>
		</message>
		<message>
			<source>R</source>
			<translation>R</translation>
		</message>
		<message>
			<source>Radii</source>
			<translation>Radien</translation>
		</message>
		<message>
			<source>Radius</source>
			<translation>Radius</translation>
		</message>
		<message>
			<source>Ramp</source>
			<translation>Verlauf</translation>
		</message>
		<message>
			<source>Ramps: no bands, no colour in the grey one</source>
			<translation>Verläufe: keine Streifen, im grauen keine Farbe</translation>
		</message>
		<message>
			<source>Ranges of tone</source>
			<translation>Tonbereiche</translation>
		</message>
		<message>
			<source>Rate</source>
			<translation>Werten</translation>
		</message>
		<message>
			<source>Rate with 0 to 5, tick off with D, choose companions with C; Space takes a frame in hand.</source>
			<translation>Werten Sie mit 0 bis 5, haken Sie mit D ab, wählen Sie Begleiter mit C; die Leertaste nimmt eine Aufnahme in Arbeit.</translation>
		</message>
		<message>
			<source>Rated %1</source>
			<translation>%1 gewertet</translation>
		</message>
		<message>
			<source>Rating taken off</source>
			<translation>Wertung weggenommen</translation>
		</message>
		<message>
			<source>Read the cast</source>
			<translation>Den Stich lesen</translation>
		</message>
		<message>
			<source>Read the cast: which way a picture leans, and how far.</source>
			<translation>Den Stich lesen: wohin sich ein Bild neigt, und wie weit.</translation>
		</message>
		<message>
			<source>Read this region</source>
			<translation>Dieses Feld lesen</translation>
		</message>
		<message>
			<source>Reading the library…</source>
			<translation>Die Sammlung wird gelesen …</translation>
		</message>
		<message>
			<source>Reading the pictures…</source>
			<translation>Die Bilder werden gelesen …</translation>
		</message>
		<message>
			<source>Reading…</source>
			<translation>Wird gelesen …</translation>
		</message>
		<message>
			<source>Reason</source>
			<translation>Begründung</translation>
		</message>
		<message>
			<source>Recipe</source>
			<translation>Rezept</translation>
		</message>
		<message>
			<source>Recipes: ticked ones are made</source>
			<translation>Rezepte: angehakte werden ausgeführt</translation>
		</message>
		<message>
			<source>Red</source>
			<translation>Rot</translation>
		</message>
		<message>
			<source>Redo</source>
			<translation>Vor</translation>
		</message>
		<message>
			<source>Redo: %1</source>
			<translation>Wiederholen: %1</translation>
		</message>
		<message>
			<source>Reference</source>
			<translation>Vorlage</translation>
		</message>
		<message>
			<source>Reference swatch</source>
			<translation>Farbmuster</translation>
		</message>
		<message>
			<source>References</source>
			<translation>Vorlagen</translation>
		</message>
		<message>
			<source>Refuse</source>
			<translation>Ablehnen</translation>
		</message>
		<message>
			<source>Relative colorimetric</source>
			<translation>Relativ farbmetrisch</translation>
		</message>
		<message>
			<source>Relative colorimetric: what the screen can show is true, the rest is cut off. Perceptual: pressed in as the profile says</source>
			<translation>Relativ farbmetrisch: was der Schirm zeigen kann, ist wahr, der Rest wird abgeschnitten. Wahrnehmungstreu: hineingedrückt, wie das Profil es sagt</translation>
		</message>
		<message>
			<source>Remarks</source>
			<translation>Bemerkungen</translation>
		</message>
		<message>
			<source>Remarks become pins, tied to the version they are about</source>
			<translation>Bemerkungen werden zu Merkern, gebunden an die Fassung, um die es geht</translation>
		</message>
		<message>
			<source>Reminders</source>
			<translation>Erinnerungen</translation>
		</message>
		<message>
			<source>Remove</source>
			<translation>Löschen</translation>
		</message>
		<message>
			<source>Rename…</source>
			<translation>Umbenennen …</translation>
		</message>
		<message>
			<source>Rendering intent</source>
			<translation>Wiedergabeabsicht</translation>
		</message>
		<message>
			<source>Rendering intent of prints</source>
			<translation>Wiedergabeabsicht von Drucken</translation>
		</message>
		<message>
			<source>Rendering intent of the print</source>
			<translation>Wiedergabeabsicht des Drucks</translation>
		</message>
		<message>
			<source>Repair</source>
			<translation>Berichtigen</translation>
		</message>
		<message>
			<source>Repair…</source>
			<translation>Berichtigen …</translation>
		</message>
		<message>
			<source>Replay</source>
			<translation>Wiederholen</translation>
		</message>
		<message>
			<source>Replay from here…</source>
			<translation>Von hier an wiederholen …</translation>
		</message>
		<message>
			<source>Replay: make a version of a look from the entries you choose.</source>
			<translation>Wiederholen: aus gewählten Einträgen eine Fassung eines Looks machen.</translation>
		</message>
		<message numerus="yes">
			<source>Replayed %n entries</source>
			<translation>
				<numerusform>%n Eintrag wiederholt</numerusform>
				<numerusform>%n Einträge wiederholt</numerusform>
			</translation>
		</message>
		<message>
			<source>Report…</source>
			<translation>Bericht …</translation>
		</message>
		<message>
			<source>Reserved at 0.5 makes the most muted third %1 times as strong, the strongest %2 times.</source>
			<translation>Zurückhaltend mit 0,5 macht das gedämpfteste Drittel %1-mal so kräftig, das kräftigste %2-mal.</translation>
		</message>
		<message>
			<source>Rests on</source>
			<translation>Beruht auf</translation>
		</message>
		<message>
			<source>Result</source>
			<translation>Ergebnis</translation>
		</message>
		<message>
			<source>Results</source>
			<translation>Ergebnisse</translation>
		</message>
		<message>
			<source>Retouching</source>
			<translation>Retusche</translation>
		</message>
		<message>
			<source>Right</source>
			<translation>Richtig</translation>
		</message>
		<message>
			<source>Right: %1</source>
			<translation>Rechts: %1</translation>
		</message>
		<message>
			<source>Role</source>
			<translation>Rolle</translation>
		</message>
		<message>
			<source>Role %1</source>
			<translation>Rolle %1</translation>
		</message>
		<message>
			<source>Room: dim and even, at most 64 lux on the screen, nothing bright behind it (ISO 3664).</source>
			<translation>Raum: gedämpft und gleichmäßig, höchstens 64 Lux auf dem Schirm, nichts Helles dahinter (ISO 3664).</translation>
		</message>
		<message>
			<source>Round</source>
			<translation>Runde</translation>
		</message>
		<message numerus="yes">
			<source>Round %1: %2 approved, %n remarks</source>
			<translation>
				<numerusform>Runde %1: %2 freigegeben, %n Anmerkung</numerusform>
				<numerusform>Runde %1: %2 freigegeben, %n Anmerkungen</numerusform>
			</translation>
		</message>
		<message>
			<source>Rounds</source>
			<translation>Runden</translation>
		</message>
		<message>
			<source>Route</source>
			<translation>Weg</translation>
		</message>
		<message>
			<source>Route: stages in your order, ticked by what was done, or by hand; the time each takes.</source>
			<translation>Weg: Stationen in Ihrer Reihenfolge, abgehakt nach dem, was getan wurde, oder von Hand; die Zeit, die jede braucht.</translation>
		</message>
		<message>
			<source>Route: tick, or leave open</source>
			<translation>Weg: abhaken oder offen lassen</translation>
		</message>
		<message>
			<source>Row</source>
			<translation>Zeile</translation>
		</message>
		<message>
			<source>Rows that move most</source>
			<translation>Zeilen, die sich am meisten bewegen</translation>
		</message>
		<message>
			<source>Runaway chroma</source>
			<translation>Entlaufene Buntheit</translation>
		</message>
		<message>
			<source>S-curve, slope</source>
			<translation>S-Kurve, Steigung</translation>
		</message>
		<message>
			<source>Said by jobs that say nothing else</source>
			<translation>Steht bei Aufträgen, die nichts anderes sagen</translation>
		</message>
		<message>
			<source>Said in every file</source>
			<translation>Steht in jeder Datei</translation>
		</message>
		<message>
			<source>Same backdrop</source>
			<translation>Gleicher Hintergrund</translation>
		</message>
		<message>
			<source>Same person</source>
			<translation>Gleicher Mensch</translation>
		</message>
		<message>
			<source>Same picture twice</source>
			<translation>Dasselbe Bild doppelt</translation>
		</message>
		<message>
			<source>Save table…</source>
			<translation>Tabelle speichern …</translation>
		</message>
		<message>
			<source>Save the contact sheet</source>
			<translation>Den Kontaktbogen speichern</translation>
		</message>
		<message>
			<source>Save the log</source>
			<translation>Das Protokoll speichern</translation>
		</message>
		<message>
			<source>Save the report</source>
			<translation>Den Bericht speichern</translation>
		</message>
		<message>
			<source>Save the results</source>
			<translation>Die Ergebnisse speichern</translation>
		</message>
		<message>
			<source>Save the results…</source>
			<translation>Ergebnisse speichern …</translation>
		</message>
		<message>
			<source>Save the table</source>
			<translation>Die Tabelle speichern</translation>
		</message>
		<message>
			<source>Save…</source>
			<translation>Speichern …</translation>
		</message>
		<message>
			<source>Say that a role is not in a frame: then nothing waits for it.</source>
			<translation>Sagen, dass eine Rolle nicht auf einer Aufnahme ist: dann wartet nichts auf sie.</translation>
		</message>
		<message>
			<source>Says what is to be known before, and writes nothing</source>
			<translation>Sagt, was vorher zu wissen ist, und schreibt nichts</translation>
		</message>
		<message>
			<source>Screen</source>
			<translation>Schirm</translation>
		</message>
		<message>
			<source>Screen: its profile, a page to judge it by, proofs</source>
			<translation>Schirm: sein Profil, eine Seite zu seiner Beurteilung, Proofs</translation>
		</message>
		<message>
			<source>Screens and prints: the frame as others will see it.</source>
			<translation>Schirme und Drucke: die Aufnahme, wie andere sie sehen werden.</translation>
		</message>
		<message>
			<source>Screens, prints</source>
			<translation>Schirme, Drucke</translation>
		</message>
		<message>
			<source>Search looks</source>
			<translation>Looks suchen</translation>
		</message>
		<message>
			<source>Search names, moods, steps</source>
			<translation>Namen, Stimmungen, Schritte suchen</translation>
		</message>
		<message>
			<source>Search the log</source>
			<translation>Das Protokoll durchsuchen</translation>
		</message>
		<message>
			<source>Second look</source>
			<translation>Zweiter Blick</translation>
		</message>
		<message>
			<source>Second look: %1</source>
			<translation>Zweiter Blick: %1</translation>
		</message>
		<message>
			<source>Second version</source>
			<translation>Zweite Fassung</translation>
		</message>
		<message>
			<source>Seconds</source>
			<translation>Sekunden</translation>
		</message>
		<message>
			<source>See in numbers whether the shoot holds together, and what could be wrong.</source>
			<translation>Sehen Sie in Zahlen, ob die Serie zusammenhält und was nicht stimmen könnte.</translation>
		</message>
		<message>
			<source>Seen as</source>
			<translation>Gesehen wie</translation>
		</message>
		<message>
			<source>Seen on, picture %1</source>
			<translation>Gesehen auf, Bild %1</translation>
		</message>
		<message>
			<source>Send</source>
			<translation>Senden</translation>
		</message>
		<message>
			<source>Send for retouching</source>
			<translation>Zur Retusche senden</translation>
		</message>
		<message>
			<source>Send frames to a retoucher and take them back: they are known again, and nothing is graded twice.</source>
			<translation>Aufnahmen zur Retusche senden und zurücknehmen: sie werden wiedererkannt, und nichts wird zweimal bearbeitet.</translation>
		</message>
		<message>
			<source>Sending…</source>
			<translation>Wird gesandt …</translation>
		</message>
		<message>
			<source>Send…</source>
			<translation>Senden …</translation>
		</message>
		<message>
			<source>Sent</source>
			<translation>Gesandt</translation>
		</message>
		<message>
			<source>Sent out</source>
			<translation>Hinausgegeben</translation>
		</message>
		<message>
			<source>Separation</source>
			<translation>Abhebung</translation>
		</message>
		<message>
			<source>Set</source>
			<translation>Auswahl</translation>
		</message>
		<message>
			<source>Set %1 made</source>
			<translation>Auswahl %1 angelegt</translation>
		</message>
		<message>
			<source>Set %1 named %2</source>
			<translation>Auswahl %1 in %2 umbenannt</translation>
		</message>
		<message>
			<source>Set %1 parted</source>
			<translation>Auswahl %1 aufgelöst</translation>
		</message>
		<message>
			<source>Set a number by hand: it is locked, and solving leaves it. Click a grey to make it neutral.</source>
			<translation>Eine Zahl von Hand setzen: sie ist gesperrt, und Lösen lässt sie. Ein Grau anklicken, um es neutral zu machen.</translation>
		</message>
		<message>
			<source>Set a pin on it…</source>
			<translation>Einen Merker darauf setzen …</translation>
		</message>
		<message>
			<source>Set a pin on the picture</source>
			<translation>Einen Merker auf das Bild setzen</translation>
		</message>
		<message>
			<source>Set a pin on the picture or on a step for what is still to be decided.</source>
			<translation>Einen Merker auf das Bild oder einen Schritt setzen, für das, was noch zu entscheiden ist.</translation>
		</message>
		<message>
			<source>Set a pin on the picture…</source>
			<translation>Einen Merker auf das Bild setzen …</translation>
		</message>
		<message>
			<source>Set the pin</source>
			<translation>Merker setzen</translation>
		</message>
		<message>
			<source>Set upright</source>
			<translation>Aufrecht stellen</translation>
		</message>
		<message>
			<source>Sets</source>
			<translation>Auswahlen</translation>
		</message>
		<message>
			<source>Sets black and white from the frame in hand, within the shares that may clip</source>
			<translation>Setzt Schwarz und Weiß nach der Aufnahme in Arbeit, innerhalb der Anteile, die abgeschnitten werden dürfen</translation>
		</message>
		<message>
			<source>Sets falling verticals upright</source>
			<translation>Stellt stürzende Senkrechte aufrecht</translation>
		</message>
		<message>
			<source>Sets receding horizontals level</source>
			<translation>Stellt fliehende Waagrechte in die Waage</translation>
		</message>
		<message>
			<source>Sets the strength at which this role measures as another one does, on the frame in hand</source>
			<translation>Setzt die Stärke, bei der diese Rolle auf der Aufnahme in Arbeit wie eine andere misst</translation>
		</message>
		<message>
			<source>Sets what the frame in hand brings: its corners against its middle</source>
			<translation>Setzt, was die Aufnahme in Arbeit mitbringt: ihre Ecken gegen ihre Mitte</translation>
		</message>
		<message>
			<source>Settings</source>
			<translation>Einstellungen</translation>
		</message>
		<message>
			<source>Shape</source>
			<translation>Form</translation>
		</message>
		<message>
			<source>Share of the frame that may be black when Solve is pressed; 0 up to the first pixel</source>
			<translation>Anteil der Aufnahme, der schwarz sein darf, wenn Lösen gedrückt wird; 0 bis zum ersten Pixel</translation>
		</message>
		<message>
			<source>Share of the frame that may be white when Solve is pressed; 0 up to the first pixel</source>
			<translation>Anteil der Aufnahme, der weiß sein darf, wenn Lösen gedrückt wird; 0 bis zum ersten Pixel</translation>
		</message>
		<message>
			<source>Share of the step's strength in the rest</source>
			<translation>Anteil der Stärke des Schritts im Übrigen</translation>
		</message>
		<message>
			<source>Share of the step's strength there</source>
			<translation>Anteil der Stärke des Schritts dort</translation>
		</message>
		<message>
			<source>Shift+Arrows</source>
			<translation>Umschalt+Pfeile</translation>
		</message>
		<message>
			<source>Shift+Enter</source>
			<translation>Umschalt+Eingabe</translation>
		</message>
		<message>
			<source>Shift+F1</source>
			<translation>Umschalt+F1</translation>
		</message>
		<message>
			<source>Shift+Left, Shift+Right</source>
			<translation>Umschalt+Links, Umschalt+Rechts</translation>
		</message>
		<message>
			<source>Shift+click, Ctrl+Shift+Left, Right</source>
			<translation>Umschalt+Klick, Strg+Umschalt+Links, Rechts</translation>
		</message>
		<message>
			<source>Shipped for %1</source>
			<translation>Geliefert für %1</translation>
		</message>
		<message>
			<source>Shipped uses stay as they are: give yours a name of its own.</source>
			<translation>Gelieferte Zwecke bleiben, wie sie sind: geben Sie Ihrem einen eigenen Namen.</translation>
		</message>
		<message>
			<source>Shoot</source>
			<translation>Serie</translation>
		</message>
		<message>
			<source>Shortcuts</source>
			<translation>Tastenkürzel</translation>
		</message>
		<message>
			<source>Show</source>
			<translation>Zeigen</translation>
		</message>
		<message>
			<source>Show and drag in the plot: %1</source>
			<translation>Im Diagramm zeigen und ziehen: %1</translation>
		</message>
		<message>
			<source>Show it</source>
			<translation>Zeigen</translation>
		</message>
		<message>
			<source>Show the chosen frame beside the frame in hand, or no longer; up to five (C, or Ctrl and click)</source>
			<translation>Die gewählte Aufnahme neben der in Arbeit zeigen oder nicht mehr; bis zu fünf (C, oder Strg und Klick)</translation>
		</message>
		<message>
			<source>Show where</source>
			<translation>Zeigen, wo</translation>
		</message>
		<message>
			<source>Show where…</source>
			<translation>Zeigen, wo …</translation>
		</message>
		<message>
			<source>Shown as on an sRGB screen, as chosen.</source>
			<translation>Wie auf einem sRGB-Schirm gezeigt, wie gewählt.</translation>
		</message>
		<message>
			<source>Shown through the chosen profile “%1”.</source>
			<translation>Durch das gewählte Profil „%1“ gezeigt.</translation>
		</message>
		<message>
			<source>Shown through the profile the desk has for this screen, “%1”.</source>
			<translation>Durch das Profil gezeigt, das der Schreibtisch für diesen Schirm hat, „%1“.</translation>
		</message>
		<message>
			<source>Shown with the paper's own white and black</source>
			<translation>Mit dem eigenen Weiß und Schwarz des Papiers gezeigt</translation>
		</message>
		<message>
			<source>Shows both by turns on the left. Slowly: more than three changes a second can bring on a seizure in people who are sensitive to light, so it never goes faster</source>
			<translation>Zeigt links beide im Wechsel. Langsam: mehr als drei Wechsel in der Sekunde können bei lichtempfindlichen Menschen einen Anfall auslösen, darum geht es nie schneller</translation>
		</message>
		<message>
			<source>Shows the look over the balance</source>
			<translation>Zeigt den Look über dem Ausgleich</translation>
		</message>
		<message>
			<source>Shows the right one with the mean lightness of the left one: of two versions the brighter one seems the better one</source>
			<translation>Zeigt die rechte mit der mittleren Helligkeit der linken: von zwei Fassungen hält man die hellere für die bessere</translation>
		</message>
		<message>
			<source>Side by side on one page, the same thing in two colours is the first that is seen.</source>
			<translation>Nebeneinander auf einer Seite ist dasselbe Ding in zwei Farben das Erste, was man sieht.</translation>
		</message>
		<message>
			<source>Six steps. Each is a place on the left; nothing has to be finished before the next is begun.</source>
			<translation>Sechs Schritte. Jeder ist ein Platz links; nichts muss fertig sein, bevor das nächste beginnt.</translation>
		</message>
		<message>
			<source>Size</source>
			<translation>Größe</translation>
		</message>
		<message>
			<source>Size %1, compression %2, subject %3 %.</source>
			<translation>Größe %1, Kompression %2, Gegenstand %3 %.</translation>
		</message>
		<message>
			<source>Size of a grain, in thousandths of the long edge</source>
			<translation>Größe eines Korns, in Tausendsteln der langen Seite</translation>
		</message>
		<message>
			<source>Size of the patches in which the veil is measured, in per cent of the long edge</source>
			<translation>Größe der Felder, in denen der Schleier gemessen wird, in Prozent der langen Seite</translation>
		</message>
		<message>
			<source>Size of the texture, in thousandths of the long edge</source>
			<translation>Größe der Struktur, in Tausendsteln der langen Seite</translation>
		</message>
		<message>
			<source>Size of words and controls</source>
			<translation>Größe von Wörtern und Bedienelementen</translation>
		</message>
		<message>
			<source>Skies and walls break into bands with borders.</source>
			<translation>Himmel und Wände zerfallen in Streifen mit Grenzen.</translation>
		</message>
		<message>
			<source>Skin</source>
			<translation>Haut</translation>
		</message>
		<message>
			<source>Skin that moved is seen by everyone, whatever else is right.</source>
			<translation>Haut, die sich bewegte, sieht jeder, was sonst auch stimmt.</translation>
		</message>
		<message>
			<source>Slides all dyes along the tone axis</source>
			<translation>Schiebt alle Farben auf der Tonachse</translation>
		</message>
		<message>
			<source>Slope 1.3 moves this frame's mean tone by %1.</source>
			<translation>Steigung 1,3 bewegt den mittleren Ton dieser Aufnahme um %1.</translation>
		</message>
		<message>
			<source>Slope at the pivot: 1 as it was, above 1 more contrast</source>
			<translation>Steigung am Drehpunkt: 1 wie es war, über 1 mehr Kontrast</translation>
		</message>
		<message>
			<source>Small table</source>
			<translation>Kleine Tabelle</translation>
		</message>
		<message>
			<source>Smooth</source>
			<translation>Weich</translation>
		</message>
		<message>
			<source>Smooth ramps do not band</source>
			<translation>Glatte Verläufe bilden keine Streifen</translation>
		</message>
		<message>
			<source>Snapshot of the place</source>
			<translation>Foto des Ortes</translation>
		</message>
		<message>
			<source>Soft</source>
			<translation>Weich</translation>
		</message>
		<message>
			<source>Soft light</source>
			<translation>Weiches Licht</translation>
		</message>
		<message>
			<source>Softness</source>
			<translation>Weichheit</translation>
		</message>
		<message>
			<source>Solve</source>
			<translation>Lösen</translation>
		</message>
		<message>
			<source>Solve all frames together; each says what its balance rests on and how sure it is.</source>
			<translation>Alle Aufnahmen zusammen lösen; jede sagt, worauf ihr Ausgleich beruht und wie sicher er ist.</translation>
		</message>
		<message>
			<source>Solve the light of all frames at once, so that a look lands the same on each.</source>
			<translation>Lösen Sie das Licht aller Aufnahmen auf einmal, damit ein Look auf jeder gleich landet.</translation>
		</message>
		<message>
			<source>Solved again</source>
			<translation>Neu gelöst</translation>
		</message>
		<message>
			<source>Solves the exposure so that the mean of the frame in hand stays</source>
			<translation>Löst die Belichtung so, dass das Mittel der Aufnahme in Arbeit bleibt</translation>
		</message>
		<message>
			<source>Solves the rows that were taken again for each light of the shoot, and shows the differences before anything changes</source>
			<translation>Löst die übernommenen Zeilen für jedes Licht der Serie neu und zeigt die Unterschiede, bevor sich etwas ändert</translation>
		</message>
		<message>
			<source>Solving leaves the ends as they are</source>
			<translation>Lösen lässt die Enden, wie sie sind</translation>
		</message>
		<message>
			<source>Solving leaves the exposure as it is</source>
			<translation>Lösen lässt die Belichtung, wie sie ist</translation>
		</message>
		<message>
			<source>Solving leaves the white as it is</source>
			<translation>Lösen lässt das Weiß, wie es ist</translation>
		</message>
		<message>
			<source>Solving the balance sees the whole frame, this thing alone, or all but this: what will be cut off, or lies in another light. For the role on all frames</source>
			<translation>Der Ausgleich sieht die ganze Aufnahme, nur diesen Gegenstand oder alles außer ihm: was abgeschnitten wird oder in anderem Licht liegt. Für die Rolle auf allen Aufnahmen</translation>
		</message>
		<message>
			<source>Something in the job cannot be read (%1). It is left as it is.</source>
			<translation>Etwas im Auftrag ist nicht zu lesen (%1). Es bleibt, wie es ist.</translation>
		</message>
		<message>
			<source>Something stands in the way.</source>
			<translation>Etwas steht im Weg.</translation>
		</message>
		<message>
			<source>Something stands in the way. %1.</source>
			<translation>Etwas steht im Weg. %1.</translation>
		</message>
		<message>
			<source>Something stands in the way: nothing was written.</source>
			<translation>Etwas steht im Weg: nichts wurde geschrieben.</translation>
		</message>
		<message>
			<source>Sort, filter, or show the frames as they came, balanced or finished.</source>
			<translation>Ordnen, filtern, oder die Aufnahmen zeigen, wie sie kamen, ausgeglichen oder fertig.</translation>
		</message>
		<message>
			<source>Space</source>
			<translation>Leertaste</translation>
		</message>
		<message>
			<source>Space, Enter</source>
			<translation>Leertaste, Eingabe</translation>
		</message>
		<message>
			<source>Spent</source>
			<translation>Verbraucht</translation>
		</message>
		<message>
			<source>Split</source>
			<translation>Teilen</translation>
		</message>
		<message>
			<source>Split line</source>
			<translation>Teilungslinie</translation>
		</message>
		<message>
			<source>Split line on the picture, before and after</source>
			<translation>Teilungslinie auf dem Bild, vorher und nachher</translation>
		</message>
		<message>
			<source>Split toning</source>
			<translation>Geteilte Tonung</translation>
		</message>
		<message>
			<source>Spots</source>
			<translation>Flecken</translation>
		</message>
		<message>
			<source>Stages, in their order</source>
			<translation>Stationen, in ihrer Reihenfolge</translation>
		</message>
		<message>
			<source>Stand</source>
			<translation>Stand</translation>
		</message>
		<message>
			<source>Stand and crop to the other frames chosen in the list</source>
			<translation>Stand und Ausschnitt auf die anderen in der Liste gewählten Aufnahmen</translation>
		</message>
		<message>
			<source>Stars or more</source>
			<translation>Sterne oder mehr</translation>
		</message>
		<message>
			<source>Start over</source>
			<translation>Neu beginnen</translation>
		</message>
		<message>
			<source>State</source>
			<translation>Zustand</translation>
		</message>
		<message>
			<source>Step</source>
			<translation>Schritt</translation>
		</message>
		<message>
			<source>Step %1, %2, at strength %3 on this frame</source>
			<translation>Schritt %1, %2, bei dieser Aufnahme mit Stärke %3</translation>
		</message>
		<message>
			<source>Step bound to a role</source>
			<translation>Schritt an eine Rolle gebunden</translation>
		</message>
		<message>
			<source>Step line</source>
			<translation>Schrittfolge</translation>
		</message>
		<message>
			<source>Step line: choose a step. Split line: move it</source>
			<translation>Schrittfolge: einen Schritt wählen. Teilungslinie: bewegen</translation>
		</message>
		<message>
			<source>Step line: choose several steps</source>
			<translation>Schrittfolge: mehrere Schritte wählen</translation>
		</message>
		<message>
			<source>Step line: copy the chosen steps, paste them after the one in hand, name them</source>
			<translation>Schrittfolge: die gewählten Schritte kopieren, hinter dem bearbeiteten einfügen, benennen</translation>
		</message>
		<message>
			<source>Step line: move the step</source>
			<translation>Schrittfolge: den Schritt bewegen</translation>
		</message>
		<message>
			<source>Step line: switch the step off or on, with Ctrl its whole group. Contact sheet: take in hand</source>
			<translation>Schrittfolge: den Schritt aus- oder einschalten, mit Strg seine ganze Gruppe. Kontaktbogen: in Arbeit nehmen</translation>
		</message>
		<message>
			<source>Step switched off</source>
			<translation>Schritt ausgeschaltet</translation>
		</message>
		<message>
			<source>Step switched on</source>
			<translation>Schritt eingeschaltet</translation>
		</message>
		<message>
			<source>Step works everywhere</source>
			<translation>Schritt wirkt überall</translation>
		</message>
		<message>
			<source>Steps grouped as %1</source>
			<translation>Schritte als %1 gruppiert</translation>
		</message>
		<message>
			<source>Steps in it</source>
			<translation>Schritte darin</translation>
		</message>
		<message>
			<source>Steps of tone larger than this are sharpened in full</source>
			<translation>Größere Tonstufen werden voll geschärft</translation>
		</message>
		<message>
			<source>Steps of tone smaller than this are left alone</source>
			<translation>Kleinere Tonstufen bleiben in Ruhe</translation>
		</message>
		<message>
			<source>Steps that undo one another</source>
			<translation>Schritte, die einander aufheben</translation>
		</message>
		<message>
			<source>Steps that undo one another, levels that moved, tints that add up, sayings measured</source>
			<translation>Schritte, die einander aufheben, Höhen, die sich bewegten, Tonungen, die sich summieren, gemessene Sätze</translation>
		</message>
		<message>
			<source>Stop handing over and quit? Files already written are whole; those not begun are left out.</source>
			<translation>Die Übergabe anhalten und beenden? Schon geschriebene Dateien sind ganz; nicht begonnene bleiben aus.</translation>
		</message>
		<message>
			<source>Stopped. Nothing was changed.</source>
			<translation>Angehalten. Nichts wurde geändert.</translation>
		</message>
		<message>
			<source>Stopped: %1. What came in is kept; make room and bring the rest in again.</source>
			<translation>Angehalten: %1. Was hereinkam, bleibt; schaffen Sie Platz und holen Sie den Rest noch einmal herein.</translation>
		</message>
		<message>
			<source>Stopped: %L1 written, the rest was not begun. Files already written are whole.</source>
			<translation>Angehalten: %L1 geschrieben, das Übrige nicht begonnen. Geschriebene Dateien sind ganz.</translation>
		</message>
		<message>
			<source>Stopped: nothing was begun.</source>
			<translation>Angehalten: nichts wurde begonnen.</translation>
		</message>
		<message>
			<source>Stopping after the pictures in flight…</source>
			<translation>Hält nach den begonnenen Bildern an …</translation>
		</message>
		<message>
			<source>Stops</source>
			<translation>Blenden</translation>
		</message>
		<message>
			<source>Stops for dark tones</source>
			<translation>Blenden für dunkle Töne</translation>
		</message>
		<message>
			<source>Stops for light tones</source>
			<translation>Blenden für helle Töne</translation>
		</message>
		<message>
			<source>Stops for middle tones</source>
			<translation>Blenden für mittlere Töne</translation>
		</message>
		<message>
			<source>Stops for the brightest tones</source>
			<translation>Blenden für die hellsten Töne</translation>
		</message>
		<message>
			<source>Stops for the deepest tones</source>
			<translation>Blenden für die tiefsten Töne</translation>
		</message>
		<message>
			<source>Stops of light before the contrast; solved while brightness is held</source>
			<translation>Blenden Licht vor dem Kontrast; gelöst, solange die Helligkeit gehalten wird</translation>
		</message>
		<message>
			<source>Stops of scene light. On the picture: hold E and drag</source>
			<translation>Blenden des Szenenlichts. Auf dem Bild: E halten und ziehen</translation>
		</message>
		<message>
			<source>Stops that the corners lack</source>
			<translation>Blenden, die den Ecken fehlen</translation>
		</message>
		<message>
			<source>Stops: a frame meant to be darker or lighter than its light's lead keeps that when it is solved</source>
			<translation>Blenden: eine Aufnahme, die dunkler oder heller als die Leitaufnahme ihres Lichts gemeint ist, behält das beim Lösen</translation>
		</message>
		<message>
			<source>Straight lines bend outward (above 0) or inward: of a lens that no file knows</source>
			<translation>Gerade Linien wölben sich nach außen (über 0) oder innen: bei einem Objektiv, das keine Datei kennt</translation>
		</message>
		<message>
			<source>Strength</source>
			<translation>Stärke</translation>
		</message>
		<message>
			<source>Strength at which %1 measures as %2</source>
			<translation>Stärke, bei der %1 wie %2 misst</translation>
		</message>
		<message>
			<source>Strength of a single grain on the tone axis</source>
			<translation>Stärke eines einzelnen Korns auf der Tonachse</translation>
		</message>
		<message>
			<source>Strength set</source>
			<translation>Stärke gesetzt</translation>
		</message>
		<message>
			<source>Stretched view</source>
			<translation>Gestreckte Ansicht</translation>
		</message>
		<message>
			<source>Stretched: dust and uneven light are seen. %L1 spots are proposed.</source>
			<translation>Gestreckt: Staub und ungleiches Licht sind zu sehen. %L1 Flecken sind vorgeschlagen.</translation>
		</message>
		<message>
			<source>Stretched: dust and uneven light are seen. One spot is proposed.</source>
			<translation>Gestreckt: Staub und ungleiches Licht sind zu sehen. Ein Fleck ist vorgeschlagen.</translation>
		</message>
		<message>
			<source>Stroke over a thing from end to end: it is found. Further strokes add, with Shift they take away (T)</source>
			<translation>Einen Gegenstand von Ende zu Ende überstreichen: er wird gefunden. Weitere Striche fügen hinzu, mit Umschalt nehmen sie weg (T)</translation>
		</message>
		<message>
			<source>Sure</source>
			<translation>Sicher</translation>
		</message>
		<message>
			<source>Sure %1 %. Strokes with Thing set it right, with Shift they take away.</source>
			<translation>Sicher zu %1 %. Striche mit Gegenstand berichtigen ihn, mit Umschalt nehmen sie weg.</translation>
		</message>
		<message>
			<source>Sure areas confirmed</source>
			<translation>Sichere Bereiche bestätigt</translation>
		</message>
		<message>
			<source>Sure, %1 %.</source>
			<translation>Sicher, %1 %.</translation>
		</message>
		<message>
			<source>Sweep</source>
			<translation>Reihe</translation>
		</message>
		<message>
			<source>Sweep again, finer, round the chosen tile</source>
			<translation>Noch einmal durchlaufen, feiner, um das gewählte Feld</translation>
		</message>
		<message>
			<source>Sweep one quantity over a sheet, pick a tile, sweep finer.</source>
			<translation>Eine Größe über ein Blatt durchlaufen, ein Feld wählen, feiner durchlaufen.</translation>
		</message>
		<message>
			<source>Sweep sheet</source>
			<translation>Reihenblatt</translation>
		</message>
		<message>
			<source>Sweep sheet of the chosen step</source>
			<translation>Reihenblatt des gewählten Schritts</translation>
		</message>
		<message>
			<source>Sweep sheet: bookmark the chosen tile. Contact sheet on pages: without the look</source>
			<translation>Reihenblatt: das gewählte Feld merken. Kontaktbogen auf Seiten: ohne den Look</translation>
		</message>
		<message>
			<source>Swept: %1</source>
			<translation>Durchlaufen: %1</translation>
		</message>
		<message>
			<source>T, B, R, E, O, C, P</source>
			<translation>T, B, R, E, O, C, P</translation>
		</message>
		<message>
			<source>TIFF, 16 bit</source>
			<translation>TIFF, 16 Bit</translation>
		</message>
		<message>
			<source>TIFF, 8 bit</source>
			<translation>TIFF, 8 Bit</translation>
		</message>
		<message>
			<source>Table</source>
			<translation>Tabelle</translation>
		</message>
		<message>
			<source>Table %1</source>
			<translation>Tabelle %1</translation>
		</message>
		<message>
			<source>Table (*.csv)</source>
			<translation>Tabelle (*.csv)</translation>
		</message>
		<message>
			<source>Table encoding</source>
			<translation>Codierung der Tabelle</translation>
		</message>
		<message>
			<source>Table, look…</source>
			<translation>Tabelle, Look …</translation>
		</message>
		<message>
			<source>Table: key colours and tones, frame by frame, with what stands out and why.</source>
			<translation>Tabelle: Leitfarben und Töne, Aufnahme für Aufnahme, mit dem, was heraussticht, und warum.</translation>
		</message>
		<message>
			<source>Tables and looks (%1)</source>
			<translation>Tabellen und Looks (%1)</translation>
		</message>
		<message>
			<source>Tables…</source>
			<translation>Tabellen …</translation>
		</message>
		<message>
			<source>Tabloid</source>
			<translation>Tabloid</translation>
		</message>
		<message>
			<source>Take</source>
			<translation>Übernehmen</translation>
		</message>
		<message>
			<source>Take %1</source>
			<translation>%1 übernehmen</translation>
		</message>
		<message>
			<source>Take a row, all down to it, or every row; each becomes steps that can be edited.</source>
			<translation>Eine Zeile, alle bis zu ihr oder jede übernehmen; jede wird zu Schritten, die sich bearbeiten lassen.</translation>
		</message>
		<message>
			<source>Take all</source>
			<translation>Alles</translation>
		</message>
		<message>
			<source>Take an answer in…</source>
			<translation>Antwort einlesen …</translation>
		</message>
		<message>
			<source>Take as a new look</source>
			<translation>Als neuen Look übernehmen</translation>
		</message>
		<message>
			<source>Take away</source>
			<translation>Wegnehmen</translation>
		</message>
		<message>
			<source>Take back…</source>
			<translation>Zurücknehmen …</translation>
		</message>
		<message>
			<source>Take in hand</source>
			<translation>In Arbeit nehmen</translation>
		</message>
		<message>
			<source>Take into its balance</source>
			<translation>In den Ausgleich übernehmen</translation>
		</message>
		<message>
			<source>Take it</source>
			<translation>Übernehmen</translation>
		</message>
		<message>
			<source>Take its ends</source>
			<translation>Enden übernehmen</translation>
		</message>
		<message>
			<source>Take me there</source>
			<translation>Dorthin</translation>
		</message>
		<message>
			<source>Take off the list</source>
			<translation>Von der Liste nehmen</translation>
		</message>
		<message>
			<source>Take over from a reference what you want of it: a picture, a frame, a pair before and after, or a table.</source>
			<translation>Von einer Vorlage übernehmen, was Sie von ihr wollen: einem Bild, einer Aufnahme, einem Paar vorher und nachher oder einer Tabelle.</translation>
		</message>
		<message>
			<source>Take the area off this frame</source>
			<translation>Nimmt den Bereich von dieser Aufnahme</translation>
		</message>
		<message>
			<source>Take the chosen frames out</source>
			<translation>Gewählte Aufnahmen herausnehmen</translation>
		</message>
		<message>
			<source>Take the chosen look in hand (Enter)</source>
			<translation>Den gewählten Look in Arbeit nehmen (Eingabe)</translation>
		</message>
		<message>
			<source>Take the cure</source>
			<translation>Abhilfe übernehmen</translation>
		</message>
		<message>
			<source>Take the frame that was put aside in hand again, beside the version left behind</source>
			<translation>Die beiseitegelegte Aufnahme wieder in Arbeit nehmen, neben der zurückgelassenen Fassung</translation>
		</message>
		<message>
			<source>Take the next frame in hand</source>
			<translation>Die nächste Aufnahme in Arbeit nehmen</translation>
		</message>
		<message>
			<source>Take the previous frame in hand</source>
			<translation>Die vorige Aufnahme in Arbeit nehmen</translation>
		</message>
		<message>
			<source>Take the row</source>
			<translation>Die Zeile übernehmen</translation>
		</message>
		<message>
			<source>Take the second look now</source>
			<translation>Jetzt den zweiten Blick tun</translation>
		</message>
		<message>
			<source>Take the version before</source>
			<translation>Die Fassung davor nehmen</translation>
		</message>
		<message>
			<source>Take this</source>
			<translation>Übernehmen</translation>
		</message>
		<message>
			<source>Take this step out of the look (it can be undone)</source>
			<translation>Nimmt diesen Schritt aus dem Look (kann rückgängig gemacht werden)</translation>
		</message>
		<message>
			<source>Takes away</source>
			<translation>Nimmt weg</translation>
		</message>
		<message>
			<source>Takes neighbouring families along until hues no longer fold</source>
			<translation>Nimmt Nachbarfamilien mit, bis Farbtöne sich nicht mehr falten</translation>
		</message>
		<message>
			<source>Takes the guard away: the step touches every colour</source>
			<translation>Nimmt den Schutz weg: der Schritt berührt jede Farbe</translation>
		</message>
		<message>
			<source>Takes the whole balance off this frame</source>
			<translation>Nimmt den ganzen Ausgleich von dieser Aufnahme</translation>
		</message>
		<message>
			<source>Takes this one of your own away</source>
			<translation>Nimmt dieses eigene weg</translation>
		</message>
		<message>
			<source>Takes this part off the area</source>
			<translation>Nimmt diesen Teil vom Bereich weg</translation>
		</message>
		<message>
			<source>Takes this route from your own; the job keeps it</source>
			<translation>Nimmt diesen Weg aus Ihren eigenen; der Auftrag behält ihn</translation>
		</message>
		<message>
			<source>Takes what is proposed for the ticked frames</source>
			<translation>Übernimmt, was für die angehakten Aufnahmen vorgeschlagen ist</translation>
		</message>
		<message>
			<source>Taper</source>
			<translation>Auslauf</translation>
		</message>
		<message>
			<source>Target of %1</source>
			<translation>Ziel von %1</translation>
		</message>
		<message>
			<source>Target, now, difference (ΔE00). A key colour without a target is held against what it was when it came in. Enter or a right click changes it.</source>
			<translation>Ziel, jetzt, Unterschied (ΔE00). Eine Leitfarbe ohne Ziel wird an dem gemessen, was sie war, als sie hereinkam. Eingabe oder Rechtsklick ändert sie.</translation>
		</message>
		<message>
			<source>Target: as it came in</source>
			<translation>Ziel: wie sie hereinkam</translation>
		</message>
		<message>
			<source>Target: as it is now</source>
			<translation>Ziel: wie sie jetzt ist</translation>
		</message>
		<message>
			<source>Target: from another picture…</source>
			<translation>Ziel: aus einem anderen Bild …</translation>
		</message>
		<message>
			<source>Target: from the picture, the next click</source>
			<translation>Ziel: aus dem Bild, der nächste Klick</translation>
		</message>
		<message>
			<source>Target: typed…</source>
			<translation>Ziel: eingetippt …</translation>
		</message>
		<message>
			<source>Tell the lights apart</source>
			<translation>Lichter unterscheiden</translation>
		</message>
		<message>
			<source>Text (*.txt);;Table (*.csv);;Pages (*.pdf)</source>
			<translation>Text (*.txt);;Tabelle (*.csv);;Seiten (*.pdf)</translation>
		</message>
		<message>
			<source>Texture: above 0 stronger, below 0 softer</source>
			<translation>Struktur: über 0 stärker, unter 0 weicher</translation>
		</message>
		<message>
			<source>That is it</source>
			<translation>Das ist es</translation>
		</message>
		<message>
			<source>The %1 chosen frames</source>
			<translation>Die %1 gewählten Aufnahmen</translation>
		</message>
		<message>
			<source>The arrow keys point at the picture, Shift makes small steps; Enter marks while marking.</source>
			<translation>Die Pfeiltasten zeigen auf das Bild, Umschalt macht kleine Schritte; Eingabe markiert beim Markieren.</translation>
		</message>
		<message>
			<source>The balance of %1 cannot be read, and it is not handed over before it is balanced again. It is left as it is in the job.</source>
			<translation>Der Ausgleich von %1 ist nicht zu lesen; die Aufnahme wird nicht übergeben, bevor sie neu ausgeglichen ist. Er bleibt im Auftrag, wie er ist.</translation>
		</message>
		<message>
			<source>The bracket was not merged: %1</source>
			<translation>Die Belichtungsreihe wurde nicht vereinigt: %1</translation>
		</message>
		<message>
			<source>The chosen folder is no longer looked into; nothing in it is touched</source>
			<translation>In den gewählten Ordner wird nicht mehr gesehen; nichts darin wird berührt</translation>
		</message>
		<message>
			<source>The chosen frame</source>
			<translation>Die gewählte Aufnahme</translation>
		</message>
		<message>
			<source>The chosen frame stands for it</source>
			<translation>Die gewählte Aufnahme steht für sie</translation>
		</message>
		<message>
			<source>The chosen version on the picture it was kept with</source>
			<translation>Die gewählte Fassung auf dem Bild, mit dem sie festgehalten wurde</translation>
		</message>
		<message>
			<source>The chroma that no colour passes</source>
			<translation>Die Buntheit, über die keine Farbe kommt</translation>
		</message>
		<message>
			<source>The client answered</source>
			<translation>Der Kunde hat geantwortet</translation>
		</message>
		<message>
			<source>The crops and regions left out cannot be read</source>
			<translation>Ausschnitte und ausgelassene Felder sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The difference in words and numbers, for the clipboard</source>
			<translation>Der Unterschied in Worten und Zahlen, für die Zwischenablage</translation>
		</message>
		<message>
			<source>The disk is too full: the files take %1, there is %2.</source>
			<translation>Der Datenträger ist zu voll: die Dateien brauchen %1, frei sind %2.</translation>
		</message>
		<message>
			<source>The disk may be too full: the files take %1, there is %2.</source>
			<translation>Der Datenträger könnte zu voll sein: die Dateien brauchen %1, frei sind %2.</translation>
		</message>
		<message>
			<source>The encoding the table expects</source>
			<translation>Die Codierung, die die Tabelle erwartet</translation>
		</message>
		<message>
			<source>The encoding the table returns</source>
			<translation>Die Codierung, die die Tabelle zurückgibt</translation>
		</message>
		<message>
			<source>The exposures of this bracket: choose one, or merge them</source>
			<translation>Die Belichtungen dieser Reihe: eine wählen oder sie vereinigen</translation>
		</message>
		<message>
			<source>The fall of light at the corners wanted in the finished picture</source>
			<translation>Der Lichtabfall in den Ecken, der im fertigen Bild gewünscht ist</translation>
		</message>
		<message>
			<source>The fall the picture already has; Measure finds it</source>
			<translation>Der Abfall, den das Bild schon hat; Messen findet ihn</translation>
		</message>
		<message>
			<source>The family or zone in hand; type to rename a family</source>
			<translation>Die bearbeitete Familie oder Zone; tippen benennt eine Familie um</translation>
		</message>
		<message>
			<source>The file of %1 is not the one that was worked on.</source>
			<translation>Die Datei von %1 ist nicht die, an der gearbeitet wurde.</translation>
		</message>
		<message>
			<source>The file that was sent is not where it was.</source>
			<translation>Die gesandte Datei ist nicht, wo sie war.</translation>
		</message>
		<message>
			<source>The files of %L1 frames are not those that were worked on: %2.</source>
			<translation>Die Dateien von %L1 Aufnahmen sind nicht die, an denen gearbeitet wurde: %2.</translation>
		</message>
		<message>
			<source>The finding before this one (Shift+N)</source>
			<translation>Der Befund davor (Umschalt+N)</translation>
		</message>
		<message>
			<source>The fitted steps after those of the look in hand</source>
			<translation>Die angepassten Schritte hinter denen des Looks in Arbeit</translation>
		</message>
		<message>
			<source>The fitted steps as a look of their own</source>
			<translation>Die angepassten Schritte als eigener Look</translation>
		</message>
		<message>
			<source>The folders of the library; one that a team shares can be added</source>
			<translation>Die Ordner der Sammlung; einer, den ein Team teilt, kann dazukommen</translation>
		</message>
		<message>
			<source>The frame at many values of one quantity of the chosen step</source>
			<translation>Die Aufnahme bei vielen Werten einer Größe des gewählten Schritts</translation>
		</message>
		<message>
			<source>The frame in hand alone in a window of its own, for another screen</source>
			<translation>Die Aufnahme in Arbeit allein in einem eigenen Fenster, für einen anderen Schirm</translation>
		</message>
		<message>
			<source>The frame in hand is not read yet; try again in a moment.</source>
			<translation>Die Aufnahme in Arbeit ist noch nicht gelesen; versuchen Sie es gleich noch einmal.</translation>
		</message>
		<message>
			<source>The frame in hand, alone</source>
			<translation>Die Aufnahme in Arbeit, allein</translation>
		</message>
		<message>
			<source>The frame in hand: draw on it; arrows point, Space draws, Shift takes away</source>
			<translation>Die Aufnahme in Arbeit: darauf zeichnen; Pfeile zeigen, die Leertaste zeichnet, Umschalt nimmt weg</translation>
		</message>
		<message>
			<source>The frame now</source>
			<translation>Die Aufnahme jetzt</translation>
		</message>
		<message>
			<source>The frame then</source>
			<translation>Die Aufnahme damals</translation>
		</message>
		<message>
			<source>The frame with the first version</source>
			<translation>Die Aufnahme mit der ersten Fassung</translation>
		</message>
		<message>
			<source>The frame with the second version</source>
			<translation>Die Aufnahme mit der zweiten Fassung</translation>
		</message>
		<message>
			<source>The hue in the middle of the family</source>
			<translation>Der Farbton in der Mitte der Familie</translation>
		</message>
		<message>
			<source>The job was closed: this sitting ends here. What was answered is kept.</source>
			<translation>Der Auftrag wurde geschlossen: diese Sitzung endet hier. Was beantwortet ist, bleibt.</translation>
		</message>
		<message>
			<source>The key colours cannot be read</source>
			<translation>Die Leitfarben sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The keys that the chosen shortcut came with</source>
			<translation>Die Tasten, mit denen das gewählte Kürzel geliefert wurde</translation>
		</message>
		<message>
			<source>The kind of file and its depth</source>
			<translation>Die Art der Datei und ihre Tiefe</translation>
		</message>
		<message>
			<source>The ladder lists what differs, the largest first, each row with its reason and its gain.</source>
			<translation>Die Leiter nennt, was sich unterscheidet, das Größte zuerst, jede Zeile mit Grund und Gewinn.</translation>
		</message>
		<message>
			<source>The largest patch that hangs together is taken for what is meant; the rest is leak</source>
			<translation>Die größte zusammenhängende Fläche gilt als gemeint; der Rest ist Streuung</translation>
		</message>
		<message>
			<source>The library across jobs</source>
			<translation>Die Sammlung über Aufträge hinweg</translation>
		</message>
		<message numerus="yes">
			<source>The library has %1 already, in %n version(s). All of them stay.</source>
			<translation>
				<numerusform>Die Sammlung hat %1 schon, in %n Fassung. Alle bleiben.</numerusform>
				<numerusform>Die Sammlung hat %1 schon, in %n Fassungen. Alle bleiben.</numerusform>
			</translation>
		</message>
		<message>
			<source>The library is empty. Keep puts a look of this job there.</source>
			<translation>Die Sammlung ist leer. Festhalten legt einen Look dieses Auftrags hinein.</translation>
		</message>
		<message>
			<source>The light groups cannot be read</source>
			<translation>Die Lichtgruppen sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The light that becomes white, in kelvin; higher makes the picture warmer. On the picture: hold W and drag</source>
			<translation>Das Licht, das zu Weiß wird, in Kelvin; höher macht das Bild wärmer. Auf dem Bild: W halten und ziehen</translation>
		</message>
		<message>
			<source>The light that becomes white; above 6504 K the picture grows warmer</source>
			<translation>Das Licht, das zu Weiß wird; über 6504 K wird das Bild wärmer</translation>
		</message>
		<message>
			<source>The limits of the checks before</source>
			<translation>Die Grenzen der Prüfungen vorher</translation>
		</message>
		<message>
			<source>The long side of the paper lies across</source>
			<translation>Die lange Seite des Papiers liegt quer</translation>
		</message>
		<message>
			<source>The look as it is now; the others are measured against it.</source>
			<translation>Der Look, wie er jetzt ist; die anderen werden an ihm gemessen.</translation>
		</message>
		<message>
			<source>The look as it was before the first of these, with what is ticked done again.</source>
			<translation>Der Look, wie er vor dem ersten davon war, mit dem Angehakten noch einmal ausgeführt.</translation>
		</message>
		<message>
			<source>The look becomes the chosen version again (it can be undone)</source>
			<translation>Der Look wird wieder die gewählte Fassung (kann rückgängig gemacht werden)</translation>
		</message>
		<message>
			<source>The look cannot be read.</source>
			<translation>Der Look ist nicht zu lesen.</translation>
		</message>
		<message>
			<source>The look has no other role</source>
			<translation>Der Look hat keine andere Rolle</translation>
		</message>
		<message>
			<source>The look has no plan; taken from the frames on the wall: %1.</source>
			<translation>Der Look hat keinen Plan; aus den Aufnahmen an der Wand genommen: %1.</translation>
		</message>
		<message>
			<source>The look has no room for %1 further steps.</source>
			<translation>Der Look hat keinen Platz für %1 weitere Schritte.</translation>
		</message>
		<message>
			<source>The look in hand has no roles yet.</source>
			<translation>Der Look in Arbeit hat noch keine Rollen.</translation>
		</message>
		<message>
			<source>The look is a line of steps from left to right. The frame in hand stands beside companions from other lights.</source>
			<translation>Der Look ist eine Folge von Schritten von links nach rechts. Die Aufnahme in Arbeit steht neben Begleitern aus anderen Lichtern.</translation>
		</message>
		<message>
			<source>The look is empty: add its first step.</source>
			<translation>Der Look ist leer: fügen Sie seinen ersten Schritt hinzu.</translation>
		</message>
		<message>
			<source>The look takes on the chosen tile (Enter)</source>
			<translation>Der Look nimmt das gewählte Feld an (Eingabe)</translation>
		</message>
		<message>
			<source>The look was changed meanwhile; nothing was carried. Ask for it again.</source>
			<translation>Der Look wurde inzwischen geändert; nichts wurde übertragen. Verlangen Sie es noch einmal.</translation>
		</message>
		<message>
			<source>The look was changed meanwhile; nothing was taken. Take it again.</source>
			<translation>Der Look wurde inzwischen geändert; nichts wurde übernommen. Übernehmen Sie noch einmal.</translation>
		</message>
		<message>
			<source>The look works on %1: no frame says yet where that lies (%2 frames).</source>
			<translation>Der Look wirkt auf %1: noch sagt keine Aufnahme, wo das liegt (%2 Aufnahmen).</translation>
		</message>
		<message>
			<source>The look “%1” cannot be read: %2. It is left as it is, and its pictures are shown without a look.</source>
			<translation>Der Look „%1“ ist nicht zu lesen: %2. Er bleibt, wie er ist, und seine Bilder werden ohne Look gezeigt.</translation>
		</message>
		<message>
			<source>The look's plan: %1.</source>
			<translation>Der Plan des Looks: %1.</translation>
		</message>
		<message>
			<source>The looks of this job on the frame in hand, those first that come nearest</source>
			<translation>Die Looks dieses Auftrags auf der Aufnahme in Arbeit, zuerst die, die am nächsten kommen</translation>
		</message>
		<message>
			<source>The looks of this job, or those kept across jobs</source>
			<translation>Die Looks dieses Auftrags oder die über Aufträge hinweg festgehaltenen</translation>
		</message>
		<message>
			<source>The looks of this job; type to rename the one in hand</source>
			<translation>Die Looks dieses Auftrags; tippen benennt den in Arbeit um</translation>
		</message>
		<message>
			<source>The middle of the sheltered family; skin lies near 55</source>
			<translation>Die Mitte der geschonten Familie; Haut liegt nahe 55</translation>
		</message>
		<message>
			<source>The most it may be high</source>
			<translation>So hoch höchstens</translation>
		</message>
		<message>
			<source>The most it may be wide</source>
			<translation>So breit höchstens</translation>
		</message>
		<message>
			<source>The next finding (N)</source>
			<translation>Der nächste Befund (N)</translation>
		</message>
		<message>
			<source>The next finding, the one before</source>
			<translation>Der nächste Befund, der davor</translation>
		</message>
		<message>
			<source>The next frame</source>
			<translation>Die nächste Aufnahme</translation>
		</message>
		<message>
			<source>The next page</source>
			<translation>Die nächste Seite</translation>
		</message>
		<message>
			<source>The next thing of the route</source>
			<translation>Das Nächste auf dem Weg</translation>
		</message>
		<message>
			<source>The one in hand as one of your own, for all jobs</source>
			<translation>Das bearbeitete als eines Ihrer eigenen, für alle Aufträge</translation>
		</message>
		<message>
			<source>The order of work, what of it is done, and the time it takes</source>
			<translation>Die Reihenfolge der Arbeit, was davon getan ist und welche Zeit es braucht</translation>
		</message>
		<message>
			<source>The page before</source>
			<translation>Die Seite davor</translation>
		</message>
		<message>
			<source>The picture before the treatment</source>
			<translation>Das Bild vor der Behandlung</translation>
		</message>
		<message>
			<source>The picture cut into five ranges of tone, one of them to be taken</source>
			<translation>Das Bild in fünf Tonbereiche zerlegt, von denen einer gewählt wird</translation>
		</message>
		<message>
			<source>The picture is not held. The look keeps what was measured of %1.</source>
			<translation>Das Bild ist nicht da. Der Look behält, was an %1 gemessen wurde.</translation>
		</message>
		<message>
			<source>The picture is not where it was.</source>
			<translation>Das Bild ist nicht, wo es war.</translation>
		</message>
		<message>
			<source>The picture is not where it was: %1</source>
			<translation>Das Bild ist nicht, wo es war: %1</translation>
		</message>
		<message>
			<source>The picture light that becomes black. On the picture: hold D and drag</source>
			<translation>Das Bildlicht, das zu Schwarz wird. Auf dem Bild: D halten und ziehen</translation>
		</message>
		<message>
			<source>The picture light that becomes white. On the picture: hold L and drag</source>
			<translation>Das Bildlicht, das zu Weiß wird. Auf dem Bild: L halten und ziehen</translation>
		</message>
		<message>
			<source>The pictures of this round</source>
			<translation>Die Bilder dieser Runde</translation>
		</message>
		<message>
			<source>The pictures show different things: most of a difference is the subject's, not the look's.</source>
			<translation>Die Bilder zeigen Verschiedenes: der größte Teil eines Unterschieds kommt vom Gegenstand, nicht vom Look.</translation>
		</message>
		<message>
			<source>The place as it is</source>
			<translation>Der Ort, wie er ist</translation>
		</message>
		<message>
			<source>The place with the look</source>
			<translation>Der Ort mit dem Look</translation>
		</message>
		<message>
			<source>The places of key colours cannot be read</source>
			<translation>Die Stellen von Leitfarben sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The plot shows what you can tell apart, and how sure that is. Results stay on this machine.</source>
			<translation>Das Diagramm zeigt, was Sie unterscheiden können und wie sicher das ist. Ergebnisse bleiben auf diesem Rechner.</translation>
		</message>
		<message>
			<source>The profile is always embedded</source>
			<translation>Das Profil ist immer eingebettet</translation>
		</message>
		<message>
			<source>The profile of this screen, proofs, intents</source>
			<translation>Das Profil dieses Schirms, Proofs, Wiedergabeabsichten</translation>
		</message>
		<message>
			<source>The profile the desk has for it</source>
			<translation>Das Profil, das der Schreibtisch für ihn hat</translation>
		</message>
		<message>
			<source>The ranges round a colour, by a click on a picture or typed</source>
			<translation>Die Grenzen um eine Farbe, mit einem Klick auf ein Bild oder eingetippt</translation>
		</message>
		<message>
			<source>The ratings and ticks cannot be read</source>
			<translation>Die Wertungen und Haken sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The ratio that the crop is held to; each keeps its own crop, and deliveries cut by it</source>
			<translation>Das Verhältnis, an das der Ausschnitt gebunden ist; jedes behält seinen eigenen Ausschnitt, und Lieferungen schneiden danach</translation>
		</message>
		<message>
			<source>The recipe is in %1.</source>
			<translation>Das Rezept steht in %1.</translation>
		</message>
		<message>
			<source>The recipe is not kept</source>
			<translation>Das Rezept ist nicht festgehalten</translation>
		</message>
		<message>
			<source>The recipe stays</source>
			<translation>Das Rezept bleibt</translation>
		</message>
		<message>
			<source>The reference is small.</source>
			<translation>Die Vorlage ist klein.</translation>
		</message>
		<message>
			<source>The reference was compressed hard.</source>
			<translation>Die Vorlage wurde stark komprimiert.</translation>
		</message>
		<message>
			<source>The responses of cameras cannot be read</source>
			<translation>Die Kennlinien von Kameras sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The role is in none of the frames that have no area and no offer</source>
			<translation>Die Rolle ist in keiner der Aufnahmen, die weder Bereich noch Vorschlag haben</translation>
		</message>
		<message>
			<source>The role is not in this frame (N)</source>
			<translation>Die Rolle ist nicht auf dieser Aufnahme (N)</translation>
		</message>
		<message>
			<source>The rounds of this sitting</source>
			<translation>Die Runden dieser Sitzung</translation>
		</message>
		<message>
			<source>The rows taken from %1, solved again for the frames of each light. Their steps keep numbers of their own for these frames; the frame in hand stays as it is.</source>
			<translation>Die von %1 übernommenen Zeilen, für die Aufnahmen jedes Lichts neu gelöst. Ihre Schritte behalten eigene Zahlen für diese Aufnahmen; die Aufnahme in Arbeit bleibt, wie sie ist.</translation>
		</message>
		<message>
			<source>The same colours as the look has now.</source>
			<translation>Dieselben Farben, die der Look jetzt hat.</translation>
		</message>
		<message>
			<source>The same on the chosen frames only</source>
			<translation>Dasselbe nur auf den gewählten Aufnahmen</translation>
		</message>
		<message>
			<source>The same on this frame.</source>
			<translation>Auf dieser Aufnahme gleich.</translation>
		</message>
		<message>
			<source>The same picture after it</source>
			<translation>Dasselbe Bild danach</translation>
		</message>
		<message>
			<source>The same picture, changed</source>
			<translation>Dasselbe Bild, geändert</translation>
		</message>
		<message>
			<source>The same pictures, changed</source>
			<translation>Dieselben Bilder, geändert</translation>
		</message>
		<message>
			<source>The same values.</source>
			<translation>Dieselben Werte.</translation>
		</message>
		<message>
			<source>The second picture leans. Which way, and how far?</source>
			<translation>Das zweite Bild neigt sich. Wohin, und wie weit?</translation>
		</message>
		<message>
			<source>The settings could not be read; those that could not are as shipped. %1</source>
			<translation>Die Einstellungen waren nicht zu lesen; was fehlt, ist wie geliefert. %1</translation>
		</message>
		<message>
			<source>The shoot</source>
			<translation>Die Serie</translation>
		</message>
		<message>
			<source>The steps of the look in order. Left and right choose, Shift with left and right moves, Space switches off and on, Insert adds, Delete removes, Down goes through what the step did, Enter shows it.</source>
			<translation>Die Schritte des Looks der Reihe nach. Links und rechts wählen, Umschalt mit links und rechts bewegt, die Leertaste schaltet aus und ein, Einfg fügt hinzu, Entf entfernt, Ab geht durch, was der Schritt machte, Eingabe zeigt es.</translation>
		</message>
		<message>
			<source>The steps of the look in order. Left and right choose, Shift with left and right moves, Space switches off and on, Insert adds, Delete removes.</source>
			<translation>Die Schritte des Looks der Reihe nach. Links und rechts wählen, Umschalt mit links und rechts bewegt, die Leertaste schaltet aus und ein, Einfg fügt hinzu, Entf entfernt.</translation>
		</message>
		<message>
			<source>The steps were fitted together: one may lead away by itself that the next one needs.</source>
			<translation>Die Schritte wurden zusammen angepasst: einer kann für sich wegführen, den der nächste braucht.</translation>
		</message>
		<message>
			<source>The thing itself will be held beside the picture of it.</source>
			<translation>Das Ding selbst wird neben das Bild von ihm gehalten werden.</translation>
		</message>
		<message>
			<source>The things' shape is changed</source>
			<translation>Die Form der Dinge ist geändert</translation>
		</message>
		<message>
			<source>The time plan and the times spent cannot be read</source>
			<translation>Zeitplan und verbrauchte Zeiten sind nicht zu lesen</translation>
		</message>
		<message>
			<source>The tone at which the chosen colour lies</source>
			<translation>Der Ton, bei dem die gewählte Farbe liegt</translation>
		</message>
		<message>
			<source>The tone from which parts of the picture glow</source>
			<translation>Der Ton, ab dem Teile des Bildes scheinen</translation>
		</message>
		<message>
			<source>The tone that becomes black</source>
			<translation>Der Ton, der zu Schwarz wird</translation>
		</message>
		<message>
			<source>The tone that becomes white</source>
			<translation>Der Ton, der zu Weiß wird</translation>
		</message>
		<message>
			<source>The tone that stays, 0 black to 1 white</source>
			<translation>Der Ton, der bleibt, 0 Schwarz bis 1 Weiß</translation>
		</message>
		<message>
			<source>The turn that sets long straight edges level</source>
			<translation>Die Drehung, die lange gerade Kanten in die Waage bringt</translation>
		</message>
		<message>
			<source>The value here is for</source>
			<translation>Der Wert hier gilt für</translation>
		</message>
		<message>
			<source>The value of the first tile</source>
			<translation>Der Wert des ersten Felds</translation>
		</message>
		<message>
			<source>The value of the last tile</source>
			<translation>Der Wert des letzten Felds</translation>
		</message>
		<message>
			<source>The watched folder %1 is gone. It is looked at again once it is back.</source>
			<translation>Der beobachtete Ordner %1 ist weg. Er wird wieder angesehen, sobald er zurück ist.</translation>
		</message>
		<message>
			<source>The whole frame counts</source>
			<translation>Die ganze Aufnahme zählt</translation>
		</message>
		<message>
			<source>The whole light: a thousandth of its pixels may be black, and white</source>
			<translation>Das ganze Licht: ein Tausendstel seiner Pixel darf schwarz sein, und weiß</translation>
		</message>
		<message>
			<source>The whole light: no bare paper, three thousandths may be black</source>
			<translation>Das ganze Licht: kein blankes Papier, drei Tausendstel dürfen schwarz sein</translation>
		</message>
		<message>
			<source>The whole light: nothing is lost at either end</source>
			<translation>Das ganze Licht: an keinem Ende geht etwas verloren</translation>
		</message>
		<message>
			<source>The whole picture with the crop on it: drag it, its edges, its corners; Enter ends</source>
			<translation>Das ganze Bild mit dem Ausschnitt darauf: ihn, seine Kanten, seine Ecken ziehen; Eingabe beendet</translation>
		</message>
		<message>
			<source>The work broke off. What was written is whole.</source>
			<translation>Die Arbeit brach ab. Was geschrieben ist, ist ganz.</translation>
		</message>
		<message>
			<source>Theme</source>
			<translation>Farbwelt</translation>
		</message>
		<message>
			<source>There are no lookup tables in this folder.</source>
			<translation>In diesem Ordner sind keine Tabellen.</translation>
		</message>
		<message>
			<source>There is a file where the folder should be: %1</source>
			<translation>Wo der Ordner sein soll, liegt eine Datei: %1</translation>
		</message>
		<message>
			<source>There is a set named %1 already.</source>
			<translation>Eine Auswahl namens %1 gibt es schon.</translation>
		</message>
		<message>
			<source>There is another use of this name.</source>
			<translation>Einen anderen Zweck dieses Namens gibt es schon.</translation>
		</message>
		<message>
			<source>There is no frame to hand over.</source>
			<translation>Es gibt keine Aufnahme zu übergeben.</translation>
		</message>
		<message>
			<source>There is no such folder.</source>
			<translation>Diesen Ordner gibt es nicht.</translation>
		</message>
		<message>
			<source>There is not enough memory to show this picture.</source>
			<translation>Für dieses Bild ist nicht genug Speicher da.</translation>
		</message>
		<message>
			<source>There was not enough memory for it.</source>
			<translation>Dafür war nicht genug Speicher da.</translation>
		</message>
		<message>
			<source>There was not enough memory for this. Nothing that was kept is lost.</source>
			<translation>Dafür war nicht genug Speicher da. Nichts, was festgehalten war, ist verloren.</translation>
		</message>
		<message>
			<source>These keys belong to what has the focus.</source>
			<translation>Diese Tasten gehören dem, was den Fokus hat.</translation>
		</message>
		<message>
			<source>These keys stay as they are.</source>
			<translation>Diese Tasten bleiben, wie sie sind.</translation>
		</message>
		<message>
			<source>Thing</source>
			<translation>Gegenstand</translation>
		</message>
		<message>
			<source>This could not be done: %1. Nothing that was kept is lost.</source>
			<translation>Das ging nicht: %1. Nichts, was festgehalten war, ist verloren.</translation>
		</message>
		<message>
			<source>This frame</source>
			<translation>Diese Aufnahme</translation>
		</message>
		<message>
			<source>This frame halved and enlarged again: sharpened it is %1 % farther from itself, and its flat places are %2 times as rough.</source>
			<translation>Diese Aufnahme halbiert und wieder vergrößert: geschärft liegt sie %1 % weiter von sich selbst, und ihre glatten Stellen sind %2-mal so rau.</translation>
		</message>
		<message>
			<source>This frame halved and enlarged again: sharpening brings back %1 % of what was lost, and makes its flat places %2 times as rough.</source>
			<translation>Diese Aufnahme halbiert und wieder vergrößert: Schärfen bringt %1 % des Verlorenen zurück und macht ihre glatten Stellen %2-mal so rau.</translation>
		</message>
		<message>
			<source>This holds until the program ends: %1</source>
			<translation>Das gilt, bis das Programm endet: %1</translation>
		</message>
		<message>
			<source>This is the reference itself: take another frame in hand (Alt+arrows).</source>
			<translation>Das ist die Vorlage selbst: nehmen Sie eine andere Aufnahme in Arbeit (Alt+Pfeile).</translation>
		</message>
		<message>
			<source>This is the thing: its place is kept and counts as evidence for balance</source>
			<translation>Das ist das Ding: seine Stelle wird festgehalten und zählt als Beleg für den Ausgleich</translation>
		</message>
		<message>
			<source>This job</source>
			<translation>Dieser Auftrag</translation>
		</message>
		<message>
			<source>This job has no looks yet.</source>
			<translation>Dieser Auftrag hat noch keine Looks.</translation>
		</message>
		<message>
			<source>This job is open in another window. Here you can look and try, but nothing is kept.</source>
			<translation>Dieser Auftrag ist in einem anderen Fenster offen. Hier können Sie ansehen und versuchen, doch nichts wird festgehalten.</translation>
		</message>
		<message>
			<source>This job lies where nothing can be written. You can look and try, but nothing is kept. Copy its folder to a disk of your own to work on it.</source>
			<translation>Dieser Auftrag liegt, wo nichts geschrieben werden kann. Sie können ansehen und versuchen, doch nichts wird festgehalten. Kopieren Sie seinen Ordner auf einen eigenen Datenträger, um daran zu arbeiten.</translation>
		</message>
		<message>
			<source>This light has no lead that can be read.</source>
			<translation>Dieses Licht hat keine Leitaufnahme, die zu lesen ist.</translation>
		</message>
		<message>
			<source>This picture cannot be shown: %1</source>
			<translation>Dieses Bild lässt sich nicht zeigen: %1</translation>
		</message>
		<message>
			<source>This screen</source>
			<translation>Dieser Schirm</translation>
		</message>
		<message>
			<source>This screen: %1</source>
			<translation>Dieser Schirm: %1</translation>
		</message>
		<message>
			<source>This step was made by a newer version. It is kept as it is and has no effect here.</source>
			<translation>Dieser Schritt stammt aus einer neueren Fassung. Er bleibt, wie er ist, und bewirkt hier nichts.</translation>
		</message>
		<message>
			<source>This use of your own; findings accepted for it stay</source>
			<translation>Dieser eigene Zweck; dafür hingenommene Befunde bleiben</translation>
		</message>
		<message>
			<source>This version of the look against the one that counts now</source>
			<translation>Diese Fassung des Looks gegen die, die gilt</translation>
		</message>
		<message>
			<source>This was taken back: the frame never went on from it.</source>
			<translation>Das wurde zurückgenommen: von hier ging es auf der Aufnahme nicht weiter.</translation>
		</message>
		<message>
			<source>Three of four right at %1</source>
			<translation>Drei von vieren richtig bei %1</translation>
		</message>
		<message>
			<source>Tick off</source>
			<translation>Abhaken</translation>
		</message>
		<message>
			<source>Tick several recipes; each frame is read and rendered once.</source>
			<translation>Mehrere Rezepte anhaken; jede Aufnahme wird einmal gelesen und gerechnet.</translation>
		</message>
		<message>
			<source>Tick taken off</source>
			<translation>Haken weggenommen</translation>
		</message>
		<message>
			<source>Tick what is to be done again.</source>
			<translation>Haken Sie an, was noch einmal ausgeführt werden soll.</translation>
		</message>
		<message>
			<source>Ticked frames are taken</source>
			<translation>Angehakte Aufnahmen werden übernommen</translation>
		</message>
		<message>
			<source>Ticked off</source>
			<translation>Abgehakt</translation>
		</message>
		<message>
			<source>Ticks of the route</source>
			<translation>Haken des Wegs</translation>
		</message>
		<message>
			<source>Tilt</source>
			<translation>Schieflage</translation>
		</message>
		<message>
			<source>Tilt and lean by the uprights of the scene, where they are clear</source>
			<translation>Neigung nach den Senkrechten der Szene, wo sie klar sind</translation>
		</message>
		<message>
			<source>Time</source>
			<translation>Zeit</translation>
		</message>
		<message>
			<source>Time plan…</source>
			<translation>Zeitplan …</translation>
		</message>
		<message>
			<source>Tint</source>
			<translation>Tönung</translation>
		</message>
		<message>
			<source>To</source>
			<translation>Bis</translation>
		</message>
		<message>
			<source>To %1</source>
			<translation>Zu %1</translation>
		</message>
		<message>
			<source>To a group of their own…</source>
			<translation>In eine eigene Gruppe …</translation>
		</message>
		<message>
			<source>To all by sensitivity</source>
			<translation>Auf alle nach Empfindlichkeit</translation>
		</message>
		<message>
			<source>To all lights…</source>
			<translation>Auf alle Lichter …</translation>
		</message>
		<message>
			<source>To be looked at first.</source>
			<translation>Zuerst anzusehen.</translation>
		</message>
		<message>
			<source>To be looked at first. %1.</source>
			<translation>Zuerst anzusehen. %1.</translation>
		</message>
		<message>
			<source>To be looked at first: nothing was written yet.</source>
			<translation>Zuerst anzusehen: noch wurde nichts geschrieben.</translation>
		</message>
		<message>
			<source>To here</source>
			<translation>Bis hierher</translation>
		</message>
		<message>
			<source>To the areas</source>
			<translation>Zu den Bereichen</translation>
		</message>
		<message>
			<source>To the next thing of the route</source>
			<translation>Zum Nächsten auf dem Weg</translation>
		</message>
		<message>
			<source>To the next thing that is open (%1)</source>
			<translation>Zum Nächsten, das offen ist (%1)</translation>
		</message>
		<message>
			<source>Tolerance %1.</source>
			<translation>Toleranz %1.</translation>
		</message>
		<message>
			<source>Tolerance, ΔE %1</source>
			<translation>Toleranz, ΔE %1</translation>
		</message>
		<message>
			<source>Tolerances set on key colours come before these limits.</source>
			<translation>Toleranzen an Leitfarben gehen diesen Grenzen vor.</translation>
		</message>
		<message>
			<source>Tone</source>
			<translation>Ton</translation>
		</message>
		<message>
			<source>Tone bands</source>
			<translation>Tonbereiche</translation>
		</message>
		<message>
			<source>Tone curve</source>
			<translation>Tonwertkurve</translation>
		</message>
		<message>
			<source>Tone curve: change of each tone</source>
			<translation>Tonwertkurve: Änderung jedes Tons</translation>
		</message>
		<message>
			<source>Tone dragged on the picture</source>
			<translation>Ton auf dem Bild gezogen</translation>
		</message>
		<message>
			<source>Tone of the chosen point as it comes in, 0 black to 1 white</source>
			<translation>Ton des gewählten Punkts, wie er hereinkommt, 0 Schwarz bis 1 Weiß</translation>
		</message>
		<message>
			<source>Tone skyline</source>
			<translation>Tonprofil</translation>
		</message>
		<message>
			<source>Tones the step may touch</source>
			<translation>Töne, die der Schritt berühren darf</translation>
		</message>
		<message>
			<source>Tones…</source>
			<translation>Töne …</translation>
		</message>
		<message>
			<source>Top to bottom</source>
			<translation>Oben gegen unten</translation>
		</message>
		<message>
			<source>Torn hues</source>
			<translation>Zerrissene Farbtöne</translation>
		</message>
		<message>
			<source>Tray</source>
			<translation>Ablage</translation>
		</message>
		<message>
			<source>Tray of pinned versions</source>
			<translation>Ablage der festgehaltenen Fassungen</translation>
		</message>
		<message>
			<source>Tray of versions</source>
			<translation>Ablage der Fassungen</translation>
		</message>
		<message>
			<source>Trial frames: companions that differ most</source>
			<translation>Probeaufnahmen: Begleiter, die sich am meisten unterscheiden</translation>
		</message>
		<message>
			<source>Try the tables of a folder on this frame, all equally strong</source>
			<translation>Die Tabellen eines Ordners an dieser Aufnahme versuchen, alle gleich stark</translation>
		</message>
		<message>
			<source>Trying cures…</source>
			<translation>Abhilfen werden versucht …</translation>
		</message>
		<message>
			<source>Turn</source>
			<translation>Drehung</translation>
		</message>
		<message>
			<source>Turn, set upright, crop, for several ratios; undo what the lens did; take noise off.</source>
			<translation>Drehen, aufrecht stellen, beschneiden, für mehrere Verhältnisse; rückgängig machen, was das Objektiv tat; Rauschen wegnehmen.</translation>
		</message>
		<message>
			<source>Turned by %1°</source>
			<translation>Um %1° gedreht</translation>
		</message>
		<message>
			<source>Turns the blue primary</source>
			<translation>Dreht die blaue Primärfarbe</translation>
		</message>
		<message>
			<source>Turns the green primary</source>
			<translation>Dreht die grüne Primärfarbe</translation>
		</message>
		<message>
			<source>Turns the guard round: the step touches what lies outside the ranges</source>
			<translation>Kehrt den Schutz um: der Schritt berührt, was außerhalb der Grenzen liegt</translation>
		</message>
		<message>
			<source>Turns the red primary</source>
			<translation>Dreht die rote Primärfarbe</translation>
		</message>
		<message>
			<source>Two recipes write into one folder: give %1 a subfolder.</source>
			<translation>Zwei Rezepte schreiben in einen Ordner: geben Sie %1 einen Unterordner.</translation>
		</message>
		<message>
			<source>Two versions of a look, in words, numbers and pictures</source>
			<translation>Zwei Fassungen eines Looks, in Worten, Zahlen und Bildern</translation>
		</message>
		<message>
			<source>Two versions side by side with their measured difference</source>
			<translation>Zwei Fassungen nebeneinander mit ihrem gemessenen Unterschied</translation>
		</message>
		<message>
			<source>Typed…</source>
			<translation>Eingetippt …</translation>
		</message>
		<message>
			<source>Under the pointer</source>
			<translation>Unter dem Zeiger</translation>
		</message>
		<message>
			<source>Undo</source>
			<translation>Zurück</translation>
		</message>
		<message>
			<source>Undo: %1</source>
			<translation>Rückgängig: %1</translation>
		</message>
		<message>
			<source>Unreadable</source>
			<translation>Nicht zu lesen</translation>
		</message>
		<message>
			<source>Up</source>
			<translation>Auf</translation>
		</message>
		<message>
			<source>Up to eight hues; each keeps 30° to either side. All others are meant to be quiet. Marked below the hue map</source>
			<translation>Bis zu acht Farbtöne; jeder hält 30° zu beiden Seiten. Alle anderen sollen ruhig sein. Unter der Farbtonkarte markiert</translation>
		</message>
		<message>
			<source>Up, Down</source>
			<translation>Auf, Ab</translation>
		</message>
		<message>
			<source>Upright, lens and crop</source>
			<translation>Stand, Objektiv und Ausschnitt</translation>
		</message>
		<message>
			<source>Use in this job</source>
			<translation>In diesem Auftrag verwenden</translation>
		</message>
		<message>
			<source>Use them there</source>
			<translation>Dort verwenden</translation>
		</message>
		<message>
			<source>Use this one</source>
			<translation>Diese nehmen</translation>
		</message>
		<message>
			<source>Variation from pixel to pixel in even places, L*; grain is added, never taken away</source>
			<translation>Schwankung von Pixel zu Pixel an gleichmäßigen Stellen, L*; Korn wird hinzugefügt, nie weggenommen</translation>
		</message>
		<message>
			<source>Variation of colour from pixel to pixel in even places: the file's, and no look's</source>
			<translation>Schwankung der Farbe von Pixel zu Pixel an gleichmäßigen Stellen: der Datei eigen, keines Looks</translation>
		</message>
		<message>
			<source>Version</source>
			<translation>Fassung</translation>
		</message>
		<message>
			<source>Version %1 of %2</source>
			<translation>Fassung %1 von %2</translation>
		</message>
		<message>
			<source>Version %1: %2</source>
			<translation>Fassung %1: %2</translation>
		</message>
		<message>
			<source>Version on the left</source>
			<translation>Fassung links</translation>
		</message>
		<message>
			<source>Version on the right</source>
			<translation>Fassung rechts</translation>
		</message>
		<message>
			<source>View</source>
			<translation>Ansicht</translation>
		</message>
		<message>
			<source>Wall behind the pictures, L*</source>
			<translation>Wand hinter den Bildern, L*</translation>
		</message>
		<message>
			<source>Warm, cool</source>
			<translation>Warm, kühl</translation>
		</message>
		<message>
			<source>Warm-up: done, the program has run for more than half an hour.</source>
			<translation>Aufwärmen: getan, das Programm läuft länger als eine halbe Stunde.</translation>
		</message>
		<message>
			<source>Warm-up: half an hour until colours stand; the program has run for less.</source>
			<translation>Aufwärmen: eine halbe Stunde, bis Farben stehen; das Programm läuft noch nicht so lange.</translation>
		</message>
		<message>
			<source>Warmth</source>
			<translation>Wärme</translation>
		</message>
		<message>
			<source>Wash</source>
			<translation>Lasur</translation>
		</message>
		<message>
			<source>Watch a folder for pictures that arrive; the time plan</source>
			<translation>Einen Ordner auf ankommende Bilder beobachten; der Zeitplan</translation>
		</message>
		<message>
			<source>Watch a folder…</source>
			<translation>Einen Ordner beobachten …</translation>
		</message>
		<message>
			<source>Watch another folder…</source>
			<translation>Einen anderen Ordner beobachten …</translation>
		</message>
		<message>
			<source>Watch the job's own folder</source>
			<translation>Den Ordner des Auftrags beobachten</translation>
		</message>
		<message>
			<source>Watch this folder for pictures</source>
			<translation>Diesen Ordner auf Bilder beobachten</translation>
		</message>
		<message>
			<source>Watch, plan</source>
			<translation>Plan</translation>
		</message>
		<message>
			<source>WebP</source>
			<translation>WebP</translation>
		</message>
		<message>
			<source>What</source>
			<translation>Was</translation>
		</message>
		<message>
			<source>What cannot be matched is said, not forced.</source>
			<translation>Was nicht anzugleichen ist, wird gesagt, nicht erzwungen.</translation>
		</message>
		<message>
			<source>What changed</source>
			<translation>Was sich änderte</translation>
		</message>
		<message>
			<source>What could be wrong is shown here, the worst first.</source>
			<translation>Hier steht, was nicht stimmen könnte, das Ärgste zuerst.</translation>
		</message>
		<message>
			<source>What could be wrong with the frames as they will be handed over</source>
			<translation>Was an den Aufnahmen, wie sie übergeben werden, nicht stimmen könnte</translation>
		</message>
		<message>
			<source>What differs</source>
			<translation>Was sich unterscheidet</translation>
		</message>
		<message>
			<source>What differs, as a grey picture</source>
			<translation>Was sich unterscheidet, als graues Bild</translation>
		</message>
		<message>
			<source>What do these frames show?</source>
			<translation>Was zeigen diese Aufnahmen?</translation>
		</message>
		<message>
			<source>What each step explains</source>
			<translation>Was jeder Schritt erklärt</translation>
		</message>
		<message>
			<source>What frames were merged of cannot be read</source>
			<translation>Woraus Aufnahmen vereinigt wurden, ist nicht zu lesen</translation>
		</message>
		<message>
			<source>What holds for every job</source>
			<translation>Was für jeden Auftrag gilt</translation>
		</message>
		<message>
			<source>What is it? The name stays with the shoot</source>
			<translation>Was ist es? Der Name bleibt bei der Serie</translation>
		</message>
		<message>
			<source>What is it? The sky, a hand, the linen: each frame says where it lies.</source>
			<translation>Was ist es? Der Himmel, eine Hand, das Leinen: jede Aufnahme sagt, wo es liegt.</translation>
		</message>
		<message>
			<source>What is made of data cannot know more than the data: T. M. Cover, J. A. Thomas, Elements of Information Theory, 2nd ed., 2006, 2.8.</source>
			<translation>Was aus Daten gemacht wird, kann nicht mehr wissen als die Daten: T. M. Cover, J. A. Thomas, Elements of Information Theory, 2. Aufl., 2006, 2.8.</translation>
		</message>
		<message>
			<source>What is marked on prints</source>
			<translation>Was auf Drucken markiert wird</translation>
		</message>
		<message>
			<source>What is offered does not hold (Delete)</source>
			<translation>Der Vorschlag stimmt nicht (Entf)</translation>
		</message>
		<message>
			<source>What is offered holds; on to the next (Enter)</source>
			<translation>Der Vorschlag stimmt; weiter zum nächsten (Eingabe)</translation>
		</message>
		<message>
			<source>What is shown, as text for the clipboard</source>
			<translation>Was gezeigt wird, als Text für die Zwischenablage</translation>
		</message>
		<message>
			<source>What is shown, as text, table or pages</source>
			<translation>Was gezeigt wird, als Text, Tabelle oder Seiten</translation>
		</message>
		<message>
			<source>What is still to be done or decided</source>
			<translation>Was noch zu tun oder zu entscheiden ist</translation>
		</message>
		<message>
			<source>What is surely the look's. Of the same scene all of it, by the colours both show (Ctrl+Enter)</source>
			<translation>Was sicher vom Look kommt. Bei gleicher Szene alles, nach den Farben, die beide zeigen (Strg+Eingabe)</translation>
		</message>
		<message>
			<source>What is swept</source>
			<translation>Was durchlaufen wird</translation>
		</message>
		<message>
			<source>What is to be done or decided here?</source>
			<translation>Was ist hier zu tun oder zu entscheiden?</translation>
		</message>
		<message>
			<source>What is to be done?</source>
			<translation>Was ist zu tun?</translation>
		</message>
		<message>
			<source>What is to be known before</source>
			<translation>Was vorher zu wissen ist</translation>
		</message>
		<message>
			<source>What is to be known before anything is written</source>
			<translation>Was zu wissen ist, bevor etwas geschrieben wird</translation>
		</message>
		<message>
			<source>What is too much, for this use; kept as one of your own</source>
			<translation>Was für diesen Zweck zu viel ist; als eigener Zweck festgehalten</translation>
		</message>
		<message>
			<source>What it does to lightness, chroma and hue</source>
			<translation>Was er mit Helligkeit, Buntheit und Farbton macht</translation>
		</message>
		<message>
			<source>What lies beyond an end becomes that end: counted here.</source>
			<translation>Was jenseits eines Endes liegt, wird dieses Ende: hier gezählt.</translation>
		</message>
		<message>
			<source>What of the frame counts</source>
			<translation>Was von der Aufnahme zählt</translation>
		</message>
		<message>
			<source>What of the source's goes along; author and rights are said in any case</source>
			<translation>Was von denen der Quelle mitgeht; Urheber und Rechte stehen in jedem Fall darin</translation>
		</message>
		<message>
			<source>What one can do here, and all keys</source>
			<translation>Was man hier tun kann, und alle Tasten</translation>
		</message>
		<message>
			<source>What others will see of the frame in hand</source>
			<translation>Was andere von der Aufnahme in Arbeit sehen werden</translation>
		</message>
		<message>
			<source>What sampling has lost cannot be had from what is left: C. E. Shannon, Proc. IRE 37(1), 1949.</source>
			<translation>Was die Abtastung verlor, ist aus dem Rest nicht zu haben: C. E. Shannon, Proc. IRE 37(1), 1949.</translation>
		</message>
		<message>
			<source>What stands out</source>
			<translation>Was heraussticht</translation>
		</message>
		<message>
			<source>What stands out, the most visible first</source>
			<translation>Was heraussticht, das Sichtbarste zuerst</translation>
		</message>
		<message>
			<source>What the client said, and what is still to be done</source>
			<translation>Was der Kunde sagte, und was noch zu tun ist</translation>
		</message>
		<message>
			<source>What the frames are shown as; finished: balanced and with the look that lands on each</source>
			<translation>Als was die Aufnahmen gezeigt werden; fertig: ausgeglichen und mit dem Look, der auf jede kommt</translation>
		</message>
		<message>
			<source>What the look is to be, and how it stands to that</source>
			<translation>Was der Look sein soll, und wie er dazu steht</translation>
		</message>
		<message>
			<source>What the part does to those before it</source>
			<translation>Was der Teil mit denen vor ihm macht</translation>
		</message>
		<message>
			<source>What the role is to the balance</source>
			<translation>Was die Rolle für den Ausgleich ist</translation>
		</message>
		<message>
			<source>What the solver found to go by, the firmest first: key colours, the same things in two frames, the camera's settings, the colours as a whole</source>
			<translation>Wonach sich der Löser richten konnte, das Festeste zuerst: Leitfarben, dieselben Dinge auf zwei Aufnahmen, die Einstellungen der Kamera, die Farben im Ganzen</translation>
		</message>
		<message>
			<source>What the step does along the hue axis</source>
			<translation>Was der Schritt entlang der Farbtonachse macht</translation>
		</message>
		<message>
			<source>What the step does along the tone axis</source>
			<translation>Was der Schritt entlang der Tonachse macht</translation>
		</message>
		<message>
			<source>What the table does to greys</source>
			<translation>Was die Tabelle mit Graufeldern macht</translation>
		</message>
		<message>
			<source>What travels with the look</source>
			<translation>Was mit dem Look reist</translation>
		</message>
		<message>
			<source>What was asked and done, how the shoot holds together, what was found and let stand</source>
			<translation>Was verlangt und getan wurde, wie die Serie zusammenhält, was gefunden und hingenommen wurde</translation>
		</message>
		<message>
			<source>What was changed, for all jobs</source>
			<translation>Was geändert wurde, für alle Aufträge</translation>
		</message>
		<message>
			<source>What was copied are no steps of a look.</source>
			<translation>Was kopiert wurde, sind keine Schritte eines Looks.</translation>
		</message>
		<message>
			<source>What was done</source>
			<translation>Was getan wurde</translation>
		</message>
		<message>
			<source>What was done, on what, from which value to which, and why</source>
			<translation>Was getan wurde, woran, von welchem Wert zu welchem, und warum</translation>
		</message>
		<message>
			<source>What was done, on what, from which value to which, and why; what is to be done next.</source>
			<translation>Was getan wurde, woran, von welchem Wert zu welchem, und warum; was als Nächstes zu tun ist.</translation>
		</message>
		<message>
			<source>What was written</source>
			<translation>Was geschrieben wurde</translation>
		</message>
		<message>
			<source>What was written, and what failed and why</source>
			<translation>Was geschrieben wurde, was misslang und warum</translation>
		</message>
		<message>
			<source>Where black lands: above 0 it fades</source>
			<translation>Wo Schwarz landet: über 0 verblasst es</translation>
		</message>
		<message>
			<source>Where no ink falls the paper shows, and the surface of the thing ends.</source>
			<translation>Wo keine Druckfarbe fällt, sieht man das Papier, und die Oberfläche des Dings endet.</translation>
		</message>
		<message>
			<source>Where the %1 lies</source>
			<translation>Wo %1 liegt</translation>
		</message>
		<message>
			<source>Where the chosen point lands, 0 black to 1 white</source>
			<translation>Wo der gewählte Punkt landet, 0 Schwarz bis 1 Weiß</translation>
		</message>
		<message>
			<source>Where the dye lies on the tone axis, 0 black to 1 white</source>
			<translation>Wo die Farbe auf der Tonachse liegt, 0 Schwarz bis 1 Weiß</translation>
		</message>
		<message>
			<source>Where the files go; made when it is missing</source>
			<translation>Wohin die Dateien gehen; wird angelegt, wenn er fehlt</translation>
		</message>
		<message>
			<source>Where the pictures are</source>
			<translation>Wo die Bilder sind</translation>
		</message>
		<message>
			<source>Where the roles of a look lie on each frame: skin, sky, the dish. A look works on roles, so local work travels.</source>
			<translation>Wo die Rollen eines Looks auf jeder Aufnahme liegen: Haut, Himmel, das Gericht. Ein Look wirkt auf Rollen, darum reist örtliche Arbeit.</translation>
		</message>
		<message>
			<source>Where the step works: everywhere, or by a role that each frame has its own area for</source>
			<translation>Wo der Schritt wirkt: überall oder nach einer Rolle, für die jede Aufnahme ihren eigenen Bereich hat</translation>
		</message>
		<message>
			<source>Where this look lands</source>
			<translation>Wohin dieser Look kommt</translation>
		</message>
		<message>
			<source>Where white lands: below 1 it fades</source>
			<translation>Wo Weiß landet: unter 1 verblasst es</translation>
		</message>
		<message>
			<source>Whether the shoot holds together, and what could be wrong with it, before anybody else sees it.</source>
			<translation>Ob die Serie zusammenhält, und was an ihr nicht stimmen könnte, bevor andere sie sehen.</translation>
		</message>
		<message>
			<source>Whether the shoot holds together: key colours and tones, frame by frame</source>
			<translation>Ob die Serie zusammenhält: Leitfarben und Töne, Aufnahme für Aufnahme</translation>
		</message>
		<message>
			<source>Which family owns the marked colour?</source>
			<translation>Welcher Familie gehört die markierte Farbe?</translation>
		</message>
		<message>
			<source>Which frames</source>
			<translation>Welche Aufnahmen</translation>
		</message>
		<message>
			<source>Which frames go</source>
			<translation>Welche Aufnahmen gehen</translation>
		</message>
		<message>
			<source>Which look lands on which light and frame</source>
			<translation>Welcher Look auf welches Licht und welche Aufnahme kommt</translation>
		</message>
		<message>
			<source>Which look lands: on the chosen frames, on their light, on all others</source>
			<translation>Welcher Look kommt: auf die gewählten Aufnahmen, auf ihr Licht, auf alle anderen</translation>
		</message>
		<message>
			<source>Which looks</source>
			<translation>Welche Looks</translation>
		</message>
		<message>
			<source>Which of the nine differs?</source>
			<translation>Welche der neun weicht ab?</translation>
		</message>
		<message>
			<source>Which stages, in which order; kept under a name of your own</source>
			<translation>Welche Stationen, in welcher Reihenfolge; unter einem eigenen Namen festgehalten</translation>
		</message>
		<message>
			<source>Which tones, chromas and hues this step may touch</source>
			<translation>Welche Töne, Buntheiten und Farbtöne dieser Schritt berühren darf</translation>
		</message>
		<message>
			<source>Which version is shown and used; all of them stay</source>
			<translation>Welche Fassung gezeigt und verwendet wird; alle bleiben</translation>
		</message>
		<message>
			<source>Which way does the second picture lean?</source>
			<translation>Wohin neigt sich das zweite Bild?</translation>
		</message>
		<message>
			<source>White</source>
			<translation>Weiß</translation>
		</message>
		<message>
			<source>White balance</source>
			<translation>Weißabgleich</translation>
		</message>
		<message>
			<source>White by</source>
			<translation>Weiß nach</translation>
		</message>
		<message>
			<source>White end</source>
			<translation>Weißes Ende</translation>
		</message>
		<message>
			<source>White end at %1 on this frame</source>
			<translation>Weißes Ende bei %1 bei dieser Aufnahme</translation>
		</message>
		<message>
			<source>White of a frame</source>
			<translation>Weiß einer Aufnahme</translation>
		</message>
		<message>
			<source>White, K</source>
			<translation>Weiß, K</translation>
		</message>
		<message>
			<source>Whole picture</source>
			<translation>Ganzes Bild</translation>
		</message>
		<message>
			<source>Whole picture again</source>
			<translation>Wieder das ganze Bild</translation>
		</message>
		<message>
			<source>Whole: density</source>
			<translation>Ganzes: Dichte</translation>
		</message>
		<message>
			<source>Whose is it?…</source>
			<translation>Wessen ist sie? …</translation>
		</message>
		<message>
			<source>Whose picture is it?</source>
			<translation>Wessen Bild ist das?</translation>
		</message>
		<message>
			<source>Whose the values of this step are: what travels with the look, what belongs to a light, a set or this frame</source>
			<translation>Wessen die Werte dieses Schritts sind: was mit dem Look reist, was einem Licht, einer Auswahl oder dieser Aufnahme gehört</translation>
		</message>
		<message>
			<source>Whose value</source>
			<translation>Wessen Wert</translation>
		</message>
		<message>
			<source>Whose values of this step are</source>
			<translation>Wessen Werte dieses Schritts sind</translation>
		</message>
		<message>
			<source>Why a frame cannot be brought onto the others, and what you set</source>
			<translation>Warum eine Aufnahme nicht an die anderen zu bringen ist, und was Sie eingestellt haben</translation>
		</message>
		<message>
			<source>Why it may stand; it is kept in the log and in the report:</source>
			<translation>Warum er stehen darf; es steht im Protokoll und im Bericht:</translation>
		</message>
		<message>
			<source>Why this step?</source>
			<translation>Warum dieser Schritt?</translation>
		</message>
		<message>
			<source>Why? A reason can be given at any time</source>
			<translation>Warum? Eine Begründung lässt sich jederzeit angeben</translation>
		</message>
		<message>
			<source>Width of the range of hues; 360 touches all</source>
			<translation>Breite des Farbtonbereichs; 360 berührt alle</translation>
		</message>
		<message>
			<source>Width to height, and where the eye goes first, across and down. Taking it cuts this frame, not the look; Ctrl+Z in Balance takes it back</source>
			<translation>Breite zu Höhe, und wohin das Auge zuerst geht, quer und hinab. Übernehmen beschneidet diese Aufnahme, nicht den Look; Strg+Z im Ausgleich nimmt es zurück</translation>
		</message>
		<message>
			<source>Wipe</source>
			<translation>Blende</translation>
		</message>
		<message>
			<source>With several frames chosen in the list: all get the same value, or all move by as much. Locks hold</source>
			<translation>Sind in der Liste mehrere Aufnahmen gewählt: alle bekommen denselben Wert, oder alle bewegen sich um gleich viel. Sperren halten</translation>
		</message>
		<message>
			<source>With the look</source>
			<translation>Mit Look</translation>
		</message>
		<message>
			<source>With the paper's own white and black</source>
			<translation>Mit dem eigenen Weiß und Schwarz des Papiers</translation>
		</message>
		<message>
			<source>Without the exposures of brackets of which another was chosen</source>
			<translation>Ohne die Belichtungen von Reihen, aus denen eine andere gewählt wurde</translation>
		</message>
		<message>
			<source>Words: frame, step, value, reason</source>
			<translation>Worte: Aufnahme, Schritt, Wert, Begründung</translation>
		</message>
		<message>
			<source>Work on it</source>
			<translation>Daran arbeiten</translation>
		</message>
		<message>
			<source>Working day</source>
			<translation>Arbeitstag</translation>
		</message>
		<message>
			<source>Working…</source>
			<translation>Wird gerechnet …</translation>
		</message>
		<message>
			<source>Write a picture of every main view with the demo data into DIR, and end.</source>
			<translation>Schreibt mit den Daten des Demoauftrags ein Bild jeder Hauptansicht nach DIR und endet.</translation>
		</message>
		<message>
			<source>Write files by recipes. Each is read back; nothing of yours is ever replaced.</source>
			<translation>Schreiben Sie Dateien nach Rezepten. Jede wird zurückgelesen; nichts von Ihnen wird je ersetzt.</translation>
		</message>
		<message>
			<source>Write the chosen look to a file, complete with its tables, or as a lookup table with a report of how well it travels</source>
			<translation>Den gewählten Look in eine Datei schreiben, vollständig mit seinen Tabellen, oder als Tabelle mit einem Bericht, wie gut sie reist</translation>
		</message>
		<message>
			<source>Write the guide as Markdown into DIR, and end.</source>
			<translation>Schreibt den Leitfaden als Markdown nach DIR und endet.</translation>
		</message>
		<message>
			<source>Written</source>
			<translation>Geschrieben</translation>
		</message>
		<message>
			<source>You said</source>
			<translation>Sie sagten</translation>
		</message>
		<message>
			<source>You take %1 for %2: %3 of %4 times.</source>
			<translation>Sie halten %1 für %2: %3 von %4 Malen.</translation>
		</message>
		<message>
			<source>Your own: %1</source>
			<translation>Eigene: %1</translation>
		</message>
		<message>
			<source>a .cube file cannot hold a CDL</source>
			<translation>eine .cube-Datei kann keine CDL enthalten</translation>
		</message>
		<message>
			<source>a 1D or 3D part: bake it first</source>
			<translation>ein 1D- oder 3D-Teil: backen Sie sie zuerst</translation>
		</message>
		<message>
			<source>a CDL, or a look to be fitted</source>
			<translation>eine CDL oder ein anzupassender Look</translation>
		</message>
		<message>
			<source>a Hald picture cannot hold this table</source>
			<translation>ein Hald-Bild kann diese Tabelle nicht enthalten</translation>
		</message>
		<message>
			<source>a Hald picture has colours</source>
			<translation>ein Hald-Bild hat Farben</translation>
		</message>
		<message>
			<source>a Hald picture has no alpha</source>
			<translation>ein Hald-Bild hat kein Alpha</translation>
		</message>
		<message>
			<source>a Hald picture needs 16 bits a channel</source>
			<translation>ein Hald-Bild braucht 16 Bit je Kanal</translation>
		</message>
		<message>
			<source>a JPEG with its end marker</source>
			<translation>ein JPEG mit seinem Endzeichen</translation>
		</message>
		<message>
			<source>a bracket has two exposures or more</source>
			<translation>eine Belichtungsreihe hat zwei Belichtungen oder mehr</translation>
		</message>
		<message>
			<source>a camera's response cannot be read</source>
			<translation>die Kennlinie einer Kamera lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>a contact sheet is .pdf or .jpg</source>
			<translation>ein Kontaktbogen ist .pdf oder .jpg</translation>
		</message>
		<message>
			<source>a crop or a region left out cannot be read</source>
			<translation>ein Ausschnitt oder eine ausgelassene Stelle lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>a cube of 4, 9, 16, 25, 36, 49, 64, 81, 100 or 121 to the edge and nothing else</source>
			<translation>ein Würfel mit 4, 9, 16, 25, 36, 49, 64, 81, 100 oder 121 je Kante und nichts sonst</translation>
		</message>
		<message>
			<source>a damaged CDL</source>
			<translation>eine beschädigte CDL</translation>
		</message>
		<message>
			<source>a field of the name is not closed</source>
			<translation>ein Feld des Namens ist nicht geschlossen</translation>
		</message>
		<message>
			<source>a file of this name is there already and is left as it is: choose another name or folder</source>
			<translation>eine Datei dieses Namens liegt schon dort und bleibt, wie sie ist: wählen Sie einen anderen Namen oder Ordner</translation>
		</message>
		<message>
			<source>a folder that can be written to</source>
			<translation>ein Ordner, in den sich schreiben lässt</translation>
		</message>
		<message>
			<source>a frame that is gone</source>
			<translation>eine Aufnahme, die fort ist</translation>
		</message>
		<message>
			<source>a grey picture with a table-based RGB profile is not read</source>
			<translation>ein Graubild mit einem RGB-Profil aus Tabellen wird nicht gelesen</translation>
		</message>
		<message>
			<source>a guess, %1 %</source>
			<translation>geraten, %1 %</translation>
		</message>
		<message>
			<source>a hint</source>
			<translation>ein Hauch</translation>
		</message>
		<message>
			<source>a kind of key colour</source>
			<translation>eine Art von Leitfarbe</translation>
		</message>
		<message>
			<source>a list</source>
			<translation>eine Liste</translation>
		</message>
		<message>
			<source>a list of 1 to 24</source>
			<translation>eine Liste von 1 bis 24</translation>
		</message>
		<message>
			<source>a mask is damaged</source>
			<translation>eine Maske ist beschädigt</translation>
		</message>
		<message>
			<source>a mask of this hash</source>
			<translation>eine Maske mit diesem Hash</translation>
		</message>
		<message>
			<source>a name</source>
			<translation>ein Name</translation>
		</message>
		<message>
			<source>a name has no such field</source>
			<translation>ein Name hat kein solches Feld</translation>
		</message>
		<message>
			<source>a pair [x, y]</source>
			<translation>ein Paar [x, y]</translation>
		</message>
		<message>
			<source>a patch %1 stands out by %2 hundredths, before the look by %3</source>
			<translation>ein Fleck %1 sticht um %2 Hundertstel heraus, vor dem Look um %3</translation>
		</message>
		<message>
			<source>a picture</source>
			<translation>ein Bild</translation>
		</message>
		<message>
			<source>a picture could not be packed</source>
			<translation>ein Bild ließ sich nicht packen</translation>
		</message>
		<message>
			<source>a place of %1</source>
			<translation>eine Stelle von %1</translation>
		</message>
		<message>
			<source>a print needs its pixels per inch</source>
			<translation>ein Druck braucht seine Pixel je Zoll</translation>
		</message>
		<message>
			<source>a profile of a screen or printer</source>
			<translation>ein Profil eines Bildschirms oder Druckers</translation>
		</message>
		<message>
			<source>a recipe is named twice</source>
			<translation>ein Rezept ist zweimal genannt</translation>
		</message>
		<message>
			<source>a recipe needs a name</source>
			<translation>ein Rezept braucht einen Namen</translation>
		</message>
		<message>
			<source>a recipe that ships has this name</source>
			<translation>ein mitgeliefertes Rezept heißt so</translation>
		</message>
		<message>
			<source>a recipe's subfolder lies in the folder of the delivery</source>
			<translation>der Unterordner eines Rezepts liegt im Ordner der Lieferung</translation>
		</message>
		<message>
			<source>a report is .pdf, .html or .json</source>
			<translation>ein Bericht ist .pdf, .html oder .json</translation>
		</message>
		<message>
			<source>a role needs a name of its own</source>
			<translation>eine Rolle braucht einen eigenen Namen</translation>
		</message>
		<message>
			<source>a route that ships has this name</source>
			<translation>ein mitgelieferter Weg heißt so</translation>
		</message>
		<message>
			<source>a size needs its width</source>
			<translation>eine Größe braucht ihre Breite</translation>
		</message>
		<message>
			<source>a smooth area %1 steps by %2 codes; with its noise and the look's grain as by %3</source>
			<translation>eine glatte Fläche %1 hat Stufen von %2 Codes; mit ihrem Rauschen und dem Korn des Looks wie %3</translation>
		</message>
		<message>
			<source>a square of 8, 27, 64, … pixels</source>
			<translation>ein Quadrat von 8, 27, 64, … Pixeln</translation>
		</message>
		<message>
			<source>a stage was expected</source>
			<translation>eine Station wurde erwartet</translation>
		</message>
		<message>
			<source>a step that is gone (%1)</source>
			<translation>ein Schritt, den es nicht mehr gibt (%1)</translation>
		</message>
		<message>
			<source>a text</source>
			<translation>ein Text</translation>
		</message>
		<message>
			<source>a text was expected</source>
			<translation>ein Text wurde erwartet</translation>
		</message>
		<message>
			<source>about %1 GB</source>
			<translation>etwa %1 GB</translation>
		</message>
		<message>
			<source>about %1 MB</source>
			<translation>etwa %1 MB</translation>
		</message>
		<message>
			<source>absolute</source>
			<translation>absolut</translation>
		</message>
		<message>
			<source>accepted</source>
			<translation>hingenommen</translation>
		</message>
		<message>
			<source>added</source>
			<translation>hinzugefügt</translation>
		</message>
		<message>
			<source>after</source>
			<translation>nachher</translation>
		</message>
		<message>
			<source>after it</source>
			<translation>nach ihm</translation>
		</message>
		<message>
			<source>after this, %1</source>
			<translation>danach, %1</translation>
		</message>
		<message>
			<source>against</source>
			<translation>gegen</translation>
		</message>
		<message>
			<source>all</source>
			<translation>alle</translation>
		</message>
		<message>
			<source>all %L1 frames</source>
			<translation>alle %L1 Aufnahmen</translation>
		</message>
		<message>
			<source>all but unused exposures</source>
			<translation>alle außer nicht verwendeten Belichtungen</translation>
		</message>
		<message>
			<source>all frames</source>
			<translation>alle Aufnahmen</translation>
		</message>
		<message>
			<source>all frames in use</source>
			<translation>alle verwendeten Aufnahmen</translation>
		</message>
		<message>
			<source>all looks</source>
			<translation>alle Looks</translation>
		</message>
		<message>
			<source>all notes</source>
			<translation>alle Sätze</translation>
		</message>
		<message>
			<source>all ×</source>
			<translation>alle ×</translation>
		</message>
		<message>
			<source>also frames that show the colour card</source>
			<translation>auch Aufnahmen mit der Farbkarte</translation>
		</message>
		<message>
			<source>also taken back</source>
			<translation>auch Zurückgenommenes</translation>
		</message>
		<message>
			<source>also those that are done</source>
			<translation>auch erledigte</translation>
		</message>
		<message>
			<source>amount</source>
			<translation>Menge</translation>
		</message>
		<message>
			<source>an ASC CDL file takes slope, offset, power and saturation only</source>
			<translation>eine ASC-CDL-Datei nimmt nur Steigung, Versatz, Potenz und Sättigung auf</translation>
		</message>
		<message>
			<source>an RGB profile</source>
			<translation>ein RGB-Profil</translation>
		</message>
		<message>
			<source>an area is not JSON</source>
			<translation>ein Bereich ist kein JSON</translation>
		</message>
		<message>
			<source>an area of %1 % lies just short of white</source>
			<translation>eine Fläche von %1 % liegt knapp unter Weiß</translation>
		</message>
		<message>
			<source>an object</source>
			<translation>ein Objekt</translation>
		</message>
		<message>
			<source>and %1 more</source>
			<translation>und %1 weitere</translation>
		</message>
		<message>
			<source>and %L1 more</source>
			<translation>und %L1 weitere</translation>
		</message>
		<message numerus="yes">
			<source>and %n more</source>
			<translation>
				<numerusform>und %n weiterer</numerusform>
				<numerusform>und %n weitere</numerusform>
			</translation>
		</message>
		<message>
			<source>another content</source>
			<translation>anderer Inhalt</translation>
		</message>
		<message>
			<source>another file stands for it</source>
			<translation>eine andere Datei steht für sie</translation>
		</message>
		<message>
			<source>another name</source>
			<translation>ein anderer Name</translation>
		</message>
		<message>
			<source>another picture may have its name now: say first whether it is the same one</source>
			<translation>ein anderes Bild trägt jetzt vielleicht seinen Namen: sagen Sie zuerst, ob es dasselbe ist</translation>
		</message>
		<message>
			<source>approved</source>
			<translation>freigegeben</translation>
		</message>
		<message>
			<source>archive</source>
			<translation>Archiv</translation>
		</message>
		<message>
			<source>area %1 added</source>
			<translation>Bereich %1 hinzugefügt</translation>
		</message>
		<message>
			<source>area %1 changed</source>
			<translation>Bereich %1 geändert</translation>
		</message>
		<message>
			<source>area %1 taken away</source>
			<translation>Bereich %1 entfernt</translation>
		</message>
		<message>
			<source>areas</source>
			<translation>Bereiche</translation>
		</message>
		<message>
			<source>artist</source>
			<translation>Künstler</translation>
		</message>
		<message>
			<source>as a client</source>
			<translation>wie ein Kunde</translation>
		</message>
		<message>
			<source>as a print</source>
			<translation>als Druck</translation>
		</message>
		<message>
			<source>as all</source>
			<translation>wie alle</translation>
		</message>
		<message>
			<source>as all: %1</source>
			<translation>wie alle: %1</translation>
		</message>
		<message>
			<source>as it came</source>
			<translation>wie es kam</translation>
		</message>
		<message>
			<source>as it is</source>
			<translation>wie es ist</translation>
		</message>
		<message>
			<source>as it was</source>
			<translation>wie es war</translation>
		</message>
		<message>
			<source>as it was kept</source>
			<translation>wie sie festgehalten wurde</translation>
		</message>
		<message>
			<source>as it was left</source>
			<translation>wie es zurückgelassen wurde</translation>
		</message>
		<message>
			<source>as they came %1 % · 95 % of the cells within ΔE %2, as they came %3</source>
			<translation>wie sie kamen %1 % · 95 % der Felder innerhalb ΔE %2, wie sie kamen %3</translation>
		</message>
		<message>
			<source>ask for an answer</source>
			<translation>um Antwort bitten</translation>
		</message>
		<message>
			<source>asks</source>
			<translation>fragt</translation>
		</message>
		<message>
			<source>assumed</source>
			<translation>angenommen</translation>
		</message>
		<message>
			<source>as sRGB</source>
			<translation>wie sRGB</translation>
		</message>
		<message>
			<source>at</source>
			<translation>bei</translation>
		</message>
		<message>
			<source>at least 64 pixels</source>
			<translation>mindestens 64 Pixel</translation>
		</message>
		<message>
			<source>at most %1</source>
			<translation>höchstens %1</translation>
		</message>
		<message>
			<source>at most %1 bytes</source>
			<translation>höchstens %1 Byte</translation>
		</message>
		<message>
			<source>at most 1 GiB</source>
			<translation>höchstens 1 GiB</translation>
		</message>
		<message>
			<source>at most 256 MiB</source>
			<translation>höchstens 256 MiB</translation>
		</message>
		<message>
			<source>at most 400 megapixels</source>
			<translation>höchstens 400 Megapixel</translation>
		</message>
		<message>
			<source>at most 64</source>
			<translation>höchstens 64</translation>
		</message>
		<message>
			<source>at the bottom</source>
			<translation>unten</translation>
		</message>
		<message>
			<source>at the left</source>
			<translation>links</translation>
		</message>
		<message>
			<source>at the right</source>
			<translation>rechts</translation>
		</message>
		<message>
			<source>at the top</source>
			<translation>oben</translation>
		</message>
		<message>
			<source>author</source>
			<translation>Urheber</translation>
		</message>
		<message>
			<source>b</source>
			<translation>h</translation>
		</message>
		<message>
			<source>balance</source>
			<translation>Ort</translation>
		</message>
		<message>
			<source>balance outside its limits</source>
			<translation>Ausgleich außerhalb seiner Grenzen</translation>
		</message>
		<message>
			<source>balanced</source>
			<translation>ausgeglichen</translation>
		</message>
		<message>
			<source>balanced frames, window light</source>
			<translation>ausgeglichene Aufnahmen, Fensterlicht</translation>
		</message>
		<message>
			<source>balanced only: the whole look follows when it is back</source>
			<translation>nur ausgeglichen: der ganze Look folgt, wenn sie zurück ist</translation>
		</message>
		<message>
			<source>because: %1</source>
			<translation>weil: %1</translation>
		</message>
		<message>
			<source>before</source>
			<translation>vorher</translation>
		</message>
		<message>
			<source>before and after do not differ: there is nothing to fit</source>
			<translation>vorher und nachher unterscheiden sich nicht: es gibt nichts anzupassen</translation>
		</message>
		<message>
			<source>before this step</source>
			<translation>vor diesem Schritt</translation>
		</message>
		<message>
			<source>begins at</source>
			<translation>beginnt bei</translation>
		</message>
		<message>
			<source>black</source>
			<translation>Schwarz</translation>
		</message>
		<message>
			<source>black end</source>
			<translation>schwarzes Ende</translation>
		</message>
		<message>
			<source>black lands</source>
			<translation>Schwarz landet</translation>
		</message>
		<message>
			<source>black lands at</source>
			<translation>Schwarz landet bei</translation>
		</message>
		<message>
			<source>black to %1, white to %2 · slope: toe %3, mid %4, end %5</source>
			<translation>Schwarz nach %1, Weiß nach %2 · Steigung: Fuß %3, Mitte %4, Ende %5</translation>
		</message>
		<message>
			<source>blend</source>
			<translation>Mischung</translation>
		</message>
		<message>
			<source>blue</source>
			<translation>Blau</translation>
		</message>
		<message>
			<source>blue curve</source>
			<translation>Blaukurve</translation>
		</message>
		<message>
			<source>blue fringe %</source>
			<translation>blauer Saum %</translation>
		</message>
		<message>
			<source>blue turn °</source>
			<translation>Blau drehen °</translation>
		</message>
		<message>
			<source>bluer</source>
			<translation>blauer</translation>
		</message>
		<message>
			<source>bold</source>
			<translation>kräftig</translation>
		</message>
		<message>
			<source>both steps are off</source>
			<translation>beide Schritte sind aus</translation>
		</message>
		<message>
			<source>bow</source>
			<translation>Bogen</translation>
		</message>
		<message>
			<source>bow %</source>
			<translation>Wölbung %</translation>
		</message>
		<message>
			<source>bracket %1 of %2</source>
			<translation>Reihe %1 von %2</translation>
		</message>
		<message>
			<source>proposed, %1 of %2</source>
			<translation>vorgeschlagen, %1 von %2</translation>
		</message>
		<message>
			<source>bracket, chosen</source>
			<translation>Reihe, gewählt</translation>
		</message>
		<message>
			<source>bracket, not used</source>
			<translation>Reihe, nicht verwendet</translation>
		</message>
		<message>
			<source>brick</source>
			<translation>Ziegel</translation>
		</message>
		<message>
			<source>bright</source>
			<translation>sehr hell</translation>
		</message>
		<message>
			<source>brightest</source>
			<translation>hellste</translation>
		</message>
		<message>
			<source>brightest area</source>
			<translation>hellste Fläche</translation>
		</message>
		<message>
			<source>brightness</source>
			<translation>Helligkeit</translation>
		</message>
		<message>
			<source>brightness %1</source>
			<translation>Helligkeit %1</translation>
		</message>
		<message>
			<source>brush</source>
			<translation>Pinsel</translation>
		</message>
		<message>
			<source>by hand</source>
			<translation>von Hand</translation>
		</message>
		<message>
			<source>c</source>
			<translation>k</translation>
		</message>
		<message>
			<source>came back, taken back since: the frame is as it was</source>
			<translation>kam zurück, seither zurückgenommen: die Aufnahme ist, wie sie war</translation>
		</message>
		<message>
			<source>camera %1: response forgotten</source>
			<translation>Kamera %1: Kennlinie vergessen</translation>
		</message>
		<message>
			<source>camera %1: response measured</source>
			<translation>Kamera %1: Kennlinie gemessen</translation>
		</message>
		<message>
			<source>cancelled</source>
			<translation>abgebrochen</translation>
		</message>
		<message>
			<source>cannot be checked: no room for a temporary file</source>
			<translation>lässt sich nicht prüfen: kein Platz für eine Zwischendatei</translation>
		</message>
		<message>
			<source>cannot be done</source>
			<translation>lässt sich nicht tun</translation>
		</message>
		<message>
			<source>cannot be opened</source>
			<translation>lässt sich nicht öffnen</translation>
		</message>
		<message>
			<source>cannot be packed</source>
			<translation>lässt sich nicht packen</translation>
		</message>
		<message>
			<source>cannot be put in place</source>
			<translation>lässt sich nicht an seinen Ort bringen</translation>
		</message>
		<message>
			<source>cannot be read</source>
			<translation>lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>cannot be read to its end</source>
			<translation>lässt sich nicht bis zum Ende lesen</translation>
		</message>
		<message>
			<source>cannot be read: %1</source>
			<translation>nicht zu lesen: %1</translation>
		</message>
		<message>
			<source>cannot be removed</source>
			<translation>lässt sich nicht entfernen</translation>
		</message>
		<message>
			<source>cannot be written</source>
			<translation>lässt sich nicht schreiben</translation>
		</message>
		<message>
			<source>card: its greys are cut off</source>
			<translation>Karte: ihre Graufelder sind abgeschnitten</translation>
		</message>
		<message>
			<source>card: ΔE %1 in the mean, %2 at %3; tones × %4%5</source>
			<translation>Karte: ΔE %1 im Mittel, %2 bei %3; Töne × %4%5</translation>
		</message>
		<message>
			<source>cast of greys</source>
			<translation>Stich der Graufelder</translation>
		</message>
		<message>
			<source>ceiling</source>
			<translation>Decke</translation>
		</message>
		<message>
			<source>ceiling outside its limits</source>
			<translation>Decke außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>centre</source>
			<translation>Mitte</translation>
		</message>
		<message>
			<source>centre 0 to 360, width 15 to 180</source>
			<translation>Mitte 0 bis 360, Breite 15 bis 180</translation>
		</message>
		<message>
			<source>centre °</source>
			<translation>bei °</translation>
		</message>
		<message>
			<source>chalk</source>
			<translation>Kreide</translation>
		</message>
		<message>
			<source>changed</source>
			<translation>geändert</translation>
		</message>
		<message>
			<source>changed since</source>
			<translation>seither geändert</translation>
		</message>
		<message>
			<source>check</source>
			<translation>Prüfung</translation>
		</message>
		<message>
			<source>checked for</source>
			<translation>geprüft für</translation>
		</message>
		<message>
			<source>checks</source>
			<translation>Prüfungen</translation>
		</message>
		<message>
			<source>chroma</source>
			<translation>Buntheit</translation>
		</message>
		<message>
			<source>chroma %1</source>
			<translation>Buntheit %1</translation>
		</message>
		<message>
			<source>chroma %1, hue %2°</source>
			<translation>Buntheit %1, Farbton %2°</translation>
		</message>
		<message>
			<source>chroma follows</source>
			<translation>Buntheit folgt</translation>
		</message>
		<message>
			<source>chroma from</source>
			<translation>Buntheit ab</translation>
		</message>
		<message>
			<source>chroma ×</source>
			<translation>bunt ×</translation>
		</message>
		<message>
			<source>chroma →</source>
			<translation>Buntheit →</translation>
		</message>
		<message>
			<source>click a colour, or the arrow keys and Enter; Esc leaves it</source>
			<translation>eine Farbe anklicken, oder Pfeiltasten und Eingabe; Esc lässt es</translation>
		</message>
		<message>
			<source>click a key colour, drag a region, Esc ends</source>
			<translation>eine Leitfarbe anklicken, ein Feld ziehen, Esc beendet</translation>
		</message>
		<message>
			<source>click along something straight, double-click ends the line, Esc ends</source>
			<translation>an etwas Geradem entlang klicken, ein Doppelklick endet die Linie, Esc beendet</translation>
		</message>
		<message>
			<source>click the place of the pin, or the arrow keys and Enter; Esc leaves it</source>
			<translation>die Stelle des Merkers anklicken, oder Pfeiltasten und Eingabe; Esc lässt es</translation>
		</message>
		<message>
			<source>click what should be neutral, Esc ends</source>
			<translation>anklicken, was neutral sein soll, Esc beendet</translation>
		</message>
		<message>
			<source>client</source>
			<translation>Kunde</translation>
		</message>
		<message>
			<source>clip black %</source>
			<translation>Schwarz abschn. %</translation>
		</message>
		<message>
			<source>clip white %</source>
			<translation>Weiß abschn. %</translation>
		</message>
		<message>
			<source>clipped %</source>
			<translation>abgeschn. %</translation>
		</message>
		<message>
			<source>clipped in the frame as it came: what is lost cannot be brought back</source>
			<translation>in der Aufnahme, wie sie kam, abgeschnitten: was verloren ist, lässt sich nicht zurückholen</translation>
		</message>
		<message>
			<source>clipped: %1 of it is lost at white</source>
			<translation>beschnitten: %1 davon ist im Weiß verloren</translation>
		</message>
		<message>
			<source>clipped: ends hatched</source>
			<translation>abgeschnitten: Enden schraffiert</translation>
		</message>
		<message>
			<source>codes</source>
			<translation>Codes</translation>
		</message>
		<message>
			<source>colour</source>
			<translation>Farbe</translation>
		</message>
		<message>
			<source>colour fringes %1 red, %2 blue %</source>
			<translation>Farbsäume %1 rot, %2 blau %</translation>
		</message>
		<message>
			<source>colour last</source>
			<translation>zuletzt die Farbe</translation>
		</message>
		<message>
			<source>colour out</source>
			<translation>Farbe aus</translation>
		</message>
		<message>
			<source>colours</source>
			<translation>Farben</translation>
		</message>
		<message>
			<source>colours alone</source>
			<translation>Farben allein</translation>
		</message>
		<message>
			<source>colours as a whole</source>
			<translation>Farben im Ganzen</translation>
		</message>
		<message>
			<source>colours cannot be sent through this profile</source>
			<translation>Farben lassen sich nicht durch dieses Profil senden</translation>
		</message>
		<message>
			<source>colours cannot be sent to this printer</source>
			<translation>Farben lassen sich nicht an diesen Drucker senden</translation>
		</message>
		<message>
			<source>colours cannot be taken back from this profile</source>
			<translation>Farben lassen sich aus diesem Profil nicht zurückholen</translation>
		</message>
		<message>
			<source>colours cannot be taken from this profile</source>
			<translation>Farben lassen sich aus diesem Profil nicht holen</translation>
		</message>
		<message>
			<source>companion %1</source>
			<translation>Begleiter %1</translation>
		</message>
		<message>
			<source>confirmed</source>
			<translation>bestätigt</translation>
		</message>
		<message>
			<source>contrast</source>
			<translation>Kontrast</translation>
		</message>
		<message>
			<source>contrast %1</source>
			<translation>Kontrast %1</translation>
		</message>
		<message>
			<source>cool</source>
			<translation>kühl</translation>
		</message>
		<message>
			<source>cool lights, warm darks</source>
			<translation>kühle Lichter, warme Tiefen</translation>
		</message>
		<message>
			<source>cooler</source>
			<translation>kühler</translation>
		</message>
		<message>
			<source>corners %1 stops</source>
			<translation>Ecken %1 Blenden</translation>
		</message>
		<message>
			<source>correct</source>
			<translation>berichtigen</translation>
		</message>
		<message>
			<source>correction outside its limits</source>
			<translation>Korrektur außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>covered, %1 %</source>
			<translation>gedeckt, %1 %</translation>
		</message>
		<message>
			<source>crop %1</source>
			<translation>Ausschnitt %1</translation>
		</message>
		<message>
			<source>crops for other ratios: %1</source>
			<translation>Ausschnitte für andere Verhältnisse: %1</translation>
		</message>
		<message>
			<source>cure from the consistency table</source>
			<translation>Abhilfe aus der Tabelle des Zusammenhalts</translation>
		</message>
		<message>
			<source>curve of all channels</source>
			<translation>Kurve aller Kanäle</translation>
		</message>
		<message>
			<source>curve point off the axis</source>
			<translation>Kurvenpunkt neben der Achse</translation>
		</message>
		<message>
			<source>curve points must rise along the axis, at least 0.002 apart</source>
			<translation>Kurvenpunkte müssen entlang der Achse steigen, mit mindestens 0,002 Abstand</translation>
		</message>
		<message>
			<source>damaged or cut short</source>
			<translation>beschädigt oder abgeschnitten</translation>
		</message>
		<message>
			<source>dark</source>
			<translation>dunkel</translation>
		</message>
		<message>
			<source>dark skin</source>
			<translation>dunkle Haut</translation>
		</message>
		<message>
			<source>darker</source>
			<translation>dunkler</translation>
		</message>
		<message>
			<source>darkest</source>
			<translation>dunkelste</translation>
		</message>
		<message>
			<source>deep</source>
			<translation>tief</translation>
		</message>
		<message>
			<source>deepest dark</source>
			<translation>tiefstes Dunkel</translation>
		</message>
		<message>
			<source>density</source>
			<translation>Dichte</translation>
		</message>
		<message>
			<source>dither</source>
			<translation>Streuung</translation>
		</message>
		<message>
			<source>done</source>
			<translation>erledigt</translation>
		</message>
		<message>
			<source>done, as was found</source>
			<translation>getan, wie festgestellt wurde</translation>
		</message>
		<message>
			<source>drag: black end</source>
			<translation>ziehen: schwarzes Ende</translation>
		</message>
		<message>
			<source>drag: exposure</source>
			<translation>ziehen: Belichtung</translation>
		</message>
		<message>
			<source>drag: tint</source>
			<translation>ziehen: Tönung</translation>
		</message>
		<message>
			<source>drag: white</source>
			<translation>ziehen: Weiß</translation>
		</message>
		<message>
			<source>drag: white end</source>
			<translation>ziehen: weißes Ende</translation>
		</message>
		<message>
			<source>drawn</source>
			<translation>gezeichnet</translation>
		</message>
		<message>
			<source>duller</source>
			<translation>matter</translation>
		</message>
		<message>
			<source>dye outside its limits</source>
			<translation>Farbe außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>dyes</source>
			<translation>Farben</translation>
		</message>
		<message>
			<source>each frame its own</source>
			<translation>jede Aufnahme ihren eigenen</translation>
		</message>
		<message>
			<source>edges from</source>
			<translation>Kanten ab</translation>
		</message>
		<message>
			<source>edges in the face are %1 times as soft as the sharpest of the frame</source>
			<translation>Kanten im Gesicht sind %1-mal so weich wie die schärfsten der Aufnahme</translation>
		</message>
		<message>
			<source>edges overshoot by %1 % as the frame came</source>
			<translation>Kanten schwingen um %1 % über, wie die Aufnahme kam</translation>
		</message>
		<message>
			<source>ellipse</source>
			<translation>Ellipse</translation>
		</message>
		<message>
			<source>elsewhere</source>
			<translation>sonst</translation>
		</message>
		<message>
			<source>encoded %1 %2 %3</source>
			<translation>codiert %1 %2 %3</translation>
		</message>
		<message>
			<source>ends</source>
			<translation>Enden</translation>
		</message>
		<message>
			<source>ends locked</source>
			<translation>Enden gesperrt</translation>
		</message>
		<message>
			<source>equal brightness</source>
			<translation>gleich hell</translation>
		</message>
		<message>
			<source>everything</source>
			<translation>alles</translation>
		</message>
		<message>
			<source>everything but these</source>
			<translation>alles außer diesen</translation>
		</message>
		<message>
			<source>everywhere</source>
			<translation>überall</translation>
		</message>
		<message>
			<source>exposure</source>
			<translation>Belichtung</translation>
		</message>
		<message>
			<source>exposure and white locked</source>
			<translation>Belichtung und Weiß gesperrt</translation>
		</message>
		<message>
			<source>exposure locked</source>
			<translation>Belichtung gesperrt</translation>
		</message>
		<message>
			<source>failed: %1</source>
			<translation>misslungen: %1</translation>
		</message>
		<message>
			<source>fair skin</source>
			<translation>helle Haut</translation>
		</message>
		<message>
			<source>falloff</source>
			<translation>Randabfall</translation>
		</message>
		<message numerus="yes">
			<source>falloff %1 ± %2 stops by %n frame(s)</source>
			<translation>
				<numerusform>Randabfall %1 ± %2 Blenden nach %n Aufnahme</numerusform>
				<numerusform>Randabfall %1 ± %2 Blenden nach %n Aufnahmen</numerusform>
			</translation>
		</message>
		<message>
			<source>falloff %1 ± %2 stops: not sure</source>
			<translation>Randabfall %1 ± %2 Blenden: nicht sicher</translation>
		</message>
		<message>
			<source>falloff: nothing to tell it by</source>
			<translation>Randabfall: nichts, woran er zu sehen wäre</translation>
		</message>
		<message>
			<source>families</source>
			<translation>Familien</translation>
		</message>
		<message>
			<source>family outside its limits</source>
			<translation>Familie außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>feather</source>
			<translation>weich</translation>
		</message>
		<message>
			<source>feather °</source>
			<translation>weich °</translation>
		</message>
		<message>
			<source>file %1</source>
			<translation>Datei %1</translation>
		</message>
		<message>
			<source>file too large</source>
			<translation>Datei zu groß</translation>
		</message>
		<message>
			<source>files are written for profiles of RGB; this one is of another kind</source>
			<translation>Dateien werden für RGB-Profile geschrieben; dieses ist von anderer Art</translation>
		</message>
		<message>
			<source>finite numbers</source>
			<translation>endliche Zahlen</translation>
		</message>
		<message>
			<source>first</source>
			<translation>erstes</translation>
		</message>
		<message>
			<source>first evening</source>
			<translation>erster Abend</translation>
		</message>
		<message>
			<source>flicker</source>
			<translation>Wechsel</translation>
		</message>
		<message>
			<source>folder</source>
			<translation>Ordner</translation>
		</message>
		<message>
			<source>format</source>
			<translation>Format</translation>
		</message>
		<message>
			<source>found by its colour, not confirmed</source>
			<translation>an seiner Farbe gefunden, nicht bestätigt</translation>
		</message>
		<message>
			<source>four numbers</source>
			<translation>vier Zahlen</translation>
		</message>
		<message>
			<source>frame in hand</source>
			<translation>Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>frames</source>
			<translation>Aufnahmen</translation>
		</message>
		<message>
			<source>frames put aside, once they can be seen fresh</source>
			<translation>beiseitegelegte Aufnahmen, sobald sie frisch zu sehen sind</translation>
		</message>
		<message>
			<source>frames with open pins</source>
			<translation>Aufnahmen mit offenen Merkern</translation>
		</message>
		<message>
			<source>frames, lights</source>
			<translation>Aufnahmen, Lichter</translation>
		</message>
		<message>
			<source>framing, light across the frame and noise are no steps of a look</source>
			<translation>Ausschnitt, Licht über die Aufnahme und Rauschen sind keine Schritte eines Looks</translation>
		</message>
		<message>
			<source>free</source>
			<translation>frei</translation>
		</message>
		<message>
			<source>fringes by %1 edges</source>
			<translation>Farbsäume nach %1 Kanten</translation>
		</message>
		<message>
			<source>fringes: too few edges to be sure</source>
			<translation>Farbsäume: zu wenige Kanten, um sicher zu sein</translation>
		</message>
		<message>
			<source>from %1</source>
			<translation>ab %1</translation>
		</message>
		<message>
			<source>from its lead</source>
			<translation>zur Leitaufnahme</translation>
		</message>
		<message>
			<source>from tone</source>
			<translation>ab Ton</translation>
		</message>
		<message>
			<source>gestures of this look</source>
			<translation>Handgriffe dieses Looks</translation>
		</message>
		<message>
			<source>given up</source>
			<translation>aufgegeben</translation>
		</message>
		<message>
			<source>glaze</source>
			<translation>Glasur</translation>
		</message>
		<message>
			<source>grain %1</source>
			<translation>Korn %1</translation>
		</message>
		<message>
			<source>grain %1, of %2 ‰ of the long edge</source>
			<translation>Korn %1, von %2 ‰ der langen Seite</translation>
		</message>
		<message>
			<source>green</source>
			<translation>Grün</translation>
		</message>
		<message>
			<source>green curve</source>
			<translation>Grünkurve</translation>
		</message>
		<message>
			<source>green turn °</source>
			<translation>Grün drehen °</translation>
		</message>
		<message>
			<source>greener</source>
			<translation>grüner</translation>
		</message>
		<message>
			<source>grey drift %1</source>
			<translation>Grau verschiebt sich um %1</translation>
		</message>
		<message>
			<source>grey or RGB, with or without alpha</source>
			<translation>Grau oder RGB, mit oder ohne Alpha</translation>
		</message>
		<message>
			<source>greys</source>
			<translation>Graufelder</translation>
		</message>
		<message>
			<source>group</source>
			<translation>Gruppe</translation>
		</message>
		<message>
			<source>grow</source>
			<translation>wachsen</translation>
		</message>
		<message>
			<source>guard</source>
			<translation>Schutz</translation>
		</message>
		<message>
			<source>h</source>
			<translation>h</translation>
		</message>
		<message>
			<source>half as much</source>
			<translation>halb so viel</translation>
		</message>
		<message>
			<source>hand over</source>
			<translation>Übergabe</translation>
		</message>
		<message>
			<source>height</source>
			<translation>Höhe</translation>
		</message>
		<message>
			<source>hold brightness</source>
			<translation>Helligkeit halten</translation>
		</message>
		<message>
			<source>hold light</source>
			<translation>hält L</translation>
		</message>
		<message>
			<source>holds values for %1, a set this job does not have</source>
			<translation>hat Werte für %1, eine Auswahl, die dieser Auftrag nicht hat</translation>
		</message>
		<message>
			<source>hue</source>
			<translation>Farbton</translation>
		</message>
		<message>
			<source>hue %1°, %2° wide</source>
			<translation>Farbton %1°, %2° breit</translation>
		</message>
		<message>
			<source>hue °</source>
			<translation>Farbton °</translation>
		</message>
		<message>
			<source>hue →</source>
			<translation>Farbton →</translation>
		</message>
		<message>
			<source>hues fold over between %1 (slope %2, keep above 0)</source>
			<translation>Farbtöne falten sich zwischen %1 (Steigung %2, über 0 halten)</translation>
		</message>
		<message>
			<source>hues free</source>
			<translation>frei</translation>
		</message>
		<message>
			<source>hues nearly fold between %1 (slope %2)</source>
			<translation>Farbtöne falten sich fast zwischen %1 (Steigung %2)</translation>
		</message>
		<message>
			<source>hues that carry it, in degrees: 60, 240</source>
			<translation>Farbtöne, die ihn tragen, in Grad: 60, 240</translation>
		</message>
		<message>
			<source>hundredths</source>
			<translation>Hundertstel</translation>
		</message>
		<message>
			<source>ids of their own</source>
			<translation>eigene Kennungen</translation>
		</message>
		<message>
			<source>in</source>
			<translation>ein</translation>
		</message>
		<message>
			<source>in a sentence: warm dusk, soft darks, true clay</source>
			<translation>in einem Satz: warme Dämmerung, weiche Tiefen, echter Ton</translation>
		</message>
		<message>
			<source>in black</source>
			<translation>Schwarz</translation>
		</message>
		<message>
			<source>in group %1</source>
			<translation>in Gruppe %1</translation>
		</message>
		<message>
			<source>in hand</source>
			<translation>in Arbeit</translation>
		</message>
		<message>
			<source>in part, %1 %</source>
			<translation>teils, %1 %</translation>
		</message>
		<message>
			<source>in the lower left</source>
			<translation>unten links</translation>
		</message>
		<message>
			<source>in the lower right</source>
			<translation>unten rechts</translation>
		</message>
		<message>
			<source>in the middle</source>
			<translation>in der Mitte</translation>
		</message>
		<message>
			<source>in the sets: %1</source>
			<translation>in den Auswahlen: %1</translation>
		</message>
		<message>
			<source>in the upper left</source>
			<translation>oben links</translation>
		</message>
		<message>
			<source>in the upper right</source>
			<translation>oben rechts</translation>
		</message>
		<message>
			<source>in this picture: %1, chroma %2</source>
			<translation>auf diesem Bild: %1, Buntheit %2</translation>
		</message>
		<message>
			<source>in white</source>
			<translation>Weiß</translation>
		</message>
		<message>
			<source>inches</source>
			<translation>Zoll</translation>
		</message>
		<message>
			<source>inside</source>
			<translation>innerhalb</translation>
		</message>
		<message>
			<source>intent</source>
			<translation>Absicht</translation>
		</message>
		<message>
			<source>it cannot be read</source>
			<translation>es lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>it is none</source>
			<translation>es ist keiner</translation>
		</message>
		<message>
			<source>it was cancelled; nothing was written</source>
			<translation>es wurde abgebrochen; nichts wurde geschrieben</translation>
		</message>
		<message>
			<source>it was written by a newer version</source>
			<translation>es wurde von einer neueren Fassung geschrieben</translation>
		</message>
		<message>
			<source>its hue °</source>
			<translation>ihr Farbton °</translation>
		</message>
		<message>
			<source>its metadata cannot be written</source>
			<translation>seine Metadaten lassen sich nicht schreiben</translation>
		</message>
		<message>
			<source>its metadata cannot be written: the disk may be full</source>
			<translation>seine Metadaten lassen sich nicht schreiben: der Datenträger könnte voll sein</translation>
		</message>
		<message>
			<source>its own picture again</source>
			<translation>wieder das eigene Bild</translation>
		</message>
		<message>
			<source>its profile does not say its inks</source>
			<translation>sein Profil nennt seine Druckfarben nicht</translation>
		</message>
		<message>
			<source>its size</source>
			<translation>seine Größe</translation>
		</message>
		<message>
			<source>jpeg, png8, png16, tiff8, tiff16, webp, exr or exr32</source>
			<translation>jpeg, png8, png16, tiff8, tiff16, webp, exr oder exr32</translation>
		</message>
		<message>
			<source>jug</source>
			<translation>Krug</translation>
		</message>
		<message>
			<source>key</source>
			<translation>Tonart</translation>
		</message>
		<message>
			<source>key %1</source>
			<translation>Leitfarbe %1</translation>
		</message>
		<message>
			<source>key colour</source>
			<translation>Leitfarbe</translation>
		</message>
		<message>
			<source>key colours</source>
			<translation>Leitfarben</translation>
		</message>
		<message>
			<source>keys</source>
			<translation>Tasten</translation>
		</message>
		<message>
			<source>late light on wet clay: warm, soft, true glazes</source>
			<translation>spätes Licht auf nassem Ton: warm, weich, echte Glasuren</translation>
		</message>
		<message>
			<source>lead</source>
			<translation>Leitaufnahme</translation>
		</message>
		<message>
			<source>lead: %1</source>
			<translation>Leitaufnahme: %1</translation>
		</message>
		<message>
			<source>leaf</source>
			<translation>Blatt</translation>
		</message>
		<message>
			<source>lean aside</source>
			<translation>seitlich</translation>
		</message>
		<message>
			<source>lean up</source>
			<translation>aufrichten</translation>
		</message>
		<message>
			<source>leaning</source>
			<translation>neigend</translation>
		</message>
		<message>
			<source>leaning aside</source>
			<translation>seitliche Neigung</translation>
		</message>
		<message>
			<source>leaning up</source>
			<translation>Neigung nach oben</translation>
		</message>
		<message>
			<source>leave below</source>
			<translation>lassen unter</translation>
		</message>
		<message>
			<source>left open by hand</source>
			<translation>von Hand offen gelassen</translation>
		</message>
		<message>
			<source>lemon</source>
			<translation>Zitrone</translation>
		</message>
		<message>
			<source>lens %1</source>
			<translation>Objektiv %1</translation>
		</message>
		<message>
			<source>less chroma</source>
			<translation>weniger Buntheit</translation>
		</message>
		<message>
			<source>lets %1 % through</source>
			<translation>lässt %1 % durch</translation>
		</message>
		<message>
			<source>light</source>
			<translation>hell</translation>
		</message>
		<message>
			<source>light first</source>
			<translation>zuerst das Licht</translation>
		</message>
		<message>
			<source>light has no codes</source>
			<translation>Licht hat keine Codes</translation>
		</message>
		<message>
			<source>light ±</source>
			<translation>hell ±</translation>
		</message>
		<message>
			<source>light →</source>
			<translation>Helligkeit →</translation>
		</message>
		<message>
			<source>lighter</source>
			<translation>heller</translation>
		</message>
		<message>
			<source>lightness</source>
			<translation>Helligkeit</translation>
		</message>
		<message>
			<source>lightness held</source>
			<translation>Helligkeit gehalten</translation>
		</message>
		<message>
			<source>lightness overshoots by %1 hundredths along strong edges</source>
			<translation>die Helligkeit schwingt an kräftigen Kanten um %1 Hundertstel über</translation>
		</message>
		<message>
			<source>lightness overshoots by %1 hundredths along the edge of %2</source>
			<translation>die Helligkeit schwingt am Rand von %2 um %1 Hundertstel über</translation>
		</message>
		<message>
			<source>likely ΔE %1 from the treatment; of nine such frames in ten below %2</source>
			<translation>wahrscheinlich ΔE %1 von der Behandlung; von zehn solchen Aufnahmen neun unter %2</translation>
		</message>
		<message>
			<source>limits: %1</source>
			<translation>Grenzen: %1</translation>
		</message>
		<message>
			<source>little</source>
			<translation>wenig</translation>
		</message>
		<message>
			<source>little or none</source>
			<translation>wenig oder keines</translation>
		</message>
		<message>
			<source>local contrast %1 over %2 % of the long edge</source>
			<translation>örtlicher Kontrast %1 über %2 % der langen Seite</translation>
		</message>
		<message>
			<source>lock</source>
			<translation>sperren</translation>
		</message>
		<message>
			<source>long edge</source>
			<translation>lange Seite</translation>
		</message>
		<message>
			<source>look</source>
			<translation>Look</translation>
		</message>
		<message>
			<source>look %1</source>
			<translation>Look %1</translation>
		</message>
		<message>
			<source>look %1 added</source>
			<translation>Look %1 hinzugefügt</translation>
		</message>
		<message>
			<source>look %1 taken away</source>
			<translation>Look %1 entfernt</translation>
		</message>
		<message>
			<source>look: %1</source>
			<translation>Look: %1</translation>
		</message>
		<message>
			<source>looks</source>
			<translation>Looks</translation>
		</message>
		<message>
			<source>lost at white %1 %, at black %2 %</source>
			<translation>verloren bei Weiß %1 %, bei Schwarz %2 %</translation>
		</message>
		<message>
			<source>lost in the file: %1</source>
			<translation>in der Datei verloren: %1</translation>
		</message>
		<message>
			<source>magenta</source>
			<translation>Magenta</translation>
		</message>
		<message>
			<source>matched to %1</source>
			<translation>angeglichen an %1</translation>
		</message>
		<message>
			<source>may take</source>
			<translation>darf dauern</translation>
		</message>
		<message>
			<source>mean ΔE %1 of %2 is left; 95 % within %3, largest %4</source>
			<translation>im Mittel bleibt ΔE %1 von %2; 95 % innerhalb %3, größter %4</translation>
		</message>
		<message>
			<source>meant %1 stops from its lead</source>
			<translation>gewollt %1 Blenden von der Leitaufnahme</translation>
		</message>
		<message>
			<source>measured anew</source>
			<translation>neu gemessen</translation>
		</message>
		<message>
			<source>measured on %1</source>
			<translation>an %1 gemessen</translation>
		</message>
		<message>
			<source>measuring…</source>
			<translation>wird gemessen …</translation>
		</message>
		<message>
			<source>medium</source>
			<translation>mittel</translation>
		</message>
		<message>
			<source>megapixels</source>
			<translation>Megapixel</translation>
		</message>
		<message>
			<source>met</source>
			<translation>erreicht</translation>
		</message>
		<message>
			<source>metadata</source>
			<translation>Metadaten</translation>
		</message>
		<message>
			<source>mid grey</source>
			<translation>Mittelgrau</translation>
		</message>
		<message>
			<source>mid-grey</source>
			<translation>Mittelgrau</translation>
		</message>
		<message>
			<source>middle</source>
			<translation>mittel</translation>
		</message>
		<message>
			<source>midtones</source>
			<translation>Mitten</translation>
		</message>
		<message>
			<source>millimetres</source>
			<translation>Millimetern</translation>
		</message>
		<message>
			<source>mix</source>
			<translation>Anteil</translation>
		</message>
		<message>
			<source>mix outside its limits</source>
			<translation>Mischung außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>mixed light: %1 of it lies in another light</source>
			<translation>Mischlicht: %1 davon liegt in anderem Licht</translation>
		</message>
		<message>
			<source>mm</source>
			<translation>mm</translation>
		</message>
		<message>
			<source>mode</source>
			<translation>Art</translation>
		</message>
		<message>
			<source>monotone</source>
			<translation>monoton</translation>
		</message>
		<message>
			<source>mood taken away</source>
			<translation>Stimmung entfernt</translation>
		</message>
		<message>
			<source>mood: %1</source>
			<translation>Stimmung: %1</translation>
		</message>
		<message>
			<source>more chroma</source>
			<translation>mehr Buntheit</translation>
		</message>
		<message>
			<source>more colourful</source>
			<translation>bunter</translation>
		</message>
		<message>
			<source>more than 0</source>
			<translation>mehr als 0</translation>
		</message>
		<message>
			<source>most colours are clipped after the treatment: where they came from cannot be told</source>
			<translation>nach der Behandlung sind die meisten Farben beschnitten: woher sie kamen, lässt sich nicht sagen</translation>
		</message>
		<message>
			<source>most ink %1 %</source>
			<translation>höchster Auftrag %1 %</translation>
		</message>
		<message>
			<source>most ink %1 %, over %2 % on %3 % of the picture</source>
			<translation>höchster Auftrag %1 %, über %2 % auf %3 % des Bildes</translation>
		</message>
		<message>
			<source>move outside its limits</source>
			<translation>Bewegung außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>much</source>
			<translation>viel</translation>
		</message>
		<message>
			<source>muted</source>
			<translation>gedämpft</translation>
		</message>
		<message>
			<source>my %1</source>
			<translation>mein %1</translation>
		</message>
		<message>
			<source>name</source>
			<translation>Name</translation>
		</message>
		<message>
			<source>name %1</source>
			<translation>Name %1</translation>
		</message>
		<message>
			<source>name, number, light, look, date or recipe</source>
			<translation>name, number, light, look, date oder recipe</translation>
		</message>
		<message>
			<source>names would all be the same</source>
			<translation>alle Namen wären gleich</translation>
		</message>
		<message>
			<source>near</source>
			<translation>nah</translation>
		</message>
		<message>
			<source>near-blacks</source>
			<translation>Fast Schwarz</translation>
		</message>
		<message>
			<source>near-whites</source>
			<translation>Fast Weiß</translation>
		</message>
		<message>
			<source>neighbour after</source>
			<translation>Nachbar danach</translation>
		</message>
		<message>
			<source>neighbour before</source>
			<translation>Nachbar davor</translation>
		</message>
		<message>
			<source>neighbours</source>
			<translation>Nachbarn</translation>
		</message>
		<message>
			<source>net</source>
			<translation>netto</translation>
		</message>
		<message>
			<source>net stops</source>
			<translation>netto Blenden</translation>
		</message>
		<message>
			<source>neutral</source>
			<translation>neutral</translation>
		</message>
		<message>
			<source>never</source>
			<translation>nie</translation>
		</message>
		<message>
			<source>no</source>
			<translation>nein</translation>
		</message>
		<message>
			<source>no colour</source>
			<translation>keine Farbe</translation>
		</message>
		<message>
			<source>no colours can be made for this profile</source>
			<translation>für dieses Profil lassen sich keine Farben machen</translation>
		</message>
		<message>
			<source>no difference in parameters</source>
			<translation>kein Unterschied in den Werten</translation>
		</message>
		<message>
			<source>no family</source>
			<translation>keine Familie</translation>
		</message>
		<message>
			<source>no flat place to read noise from</source>
			<translation>keine glatte Stelle, an der Rauschen zu lesen wäre</translation>
		</message>
		<message>
			<source>no frame is over its budget</source>
			<translation>keine Aufnahme ist über ihrer Vorgabe</translation>
		</message>
		<message>
			<source>no job is open</source>
			<translation>kein Auftrag ist offen</translation>
		</message>
		<message>
			<source>no known lens</source>
			<translation>kein bekanntes Objektiv</translation>
		</message>
		<message>
			<source>no lens file knows it: draw a line, or type</source>
			<translation>keine Objektivdatei kennt es: eine Linie ziehen oder eintippen</translation>
		</message>
		<message>
			<source>no limit</source>
			<translation>keine Grenze</translation>
		</message>
		<message>
			<source>no mask</source>
			<translation>keine Maske</translation>
		</message>
		<message>
			<source>no note</source>
			<translation>ohne Notiz</translation>
		</message>
		<message>
			<source>no one white is right for both parts: an area with a white of its own is</source>
			<translation>kein Weiß stimmt für beide Teile: ein Bereich mit eigenem Weiß schon</translation>
		</message>
		<message>
			<source>no other frame tells its sensitivity</source>
			<translation>keine andere Aufnahme nennt ihre Empfindlichkeit</translation>
		</message>
		<message>
			<source>no own recipe of this name</source>
			<translation>kein eigenes Rezept dieses Namens</translation>
		</message>
		<message>
			<source>no own route of this name</source>
			<translation>kein eigener Weg dieses Namens</translation>
		</message>
		<message>
			<source>no part of a job has this name</source>
			<translation>kein Teil eines Auftrags heißt so</translation>
		</message>
		<message>
			<source>no part of a library</source>
			<translation>kein Teil einer Sammlung</translation>
		</message>
		<message>
			<source>no picture has colours enough</source>
			<translation>kein Bild hat genug Farben</translation>
		</message>
		<message>
			<source>no pictures in this folder (JPEG, PNG, TIFF, WebP or raw)</source>
			<translation>keine Bilder in diesem Ordner (JPEG, PNG, TIFF, WebP oder Raw)</translation>
		</message>
		<message>
			<source>no place of the library</source>
			<translation>kein Ort der Sammlung</translation>
		</message>
		<message>
			<source>no recipe of this name</source>
			<translation>kein Rezept dieses Namens</translation>
		</message>
		<message>
			<source>no recipe was chosen</source>
			<translation>es wurde kein Rezept gewählt</translation>
		</message>
		<message>
			<source>no round asked for this answer</source>
			<translation>keine Runde fragte nach dieser Antwort</translation>
		</message>
		<message>
			<source>no single change of the balance mends it</source>
			<translation>keine einzelne Änderung des Ausgleichs behebt es</translation>
		</message>
		<message>
			<source>no smooth area is large enough to show steps</source>
			<translation>keine glatte Fläche ist groß genug, um Stufen zu zeigen</translation>
		</message>
		<message>
			<source>no stars</source>
			<translation>keine Sterne</translation>
		</message>
		<message>
			<source>no such file</source>
			<translation>keine solche Datei</translation>
		</message>
		<message>
			<source>no such file or folder</source>
			<translation>keine solche Datei und kein solcher Ordner</translation>
		</message>
		<message>
			<source>no such folder</source>
			<translation>kein solcher Ordner</translation>
		</message>
		<message>
			<source>no such page</source>
			<translation>keine solche Seite</translation>
		</message>
		<message>
			<source>no such part</source>
			<translation>kein solcher Teil</translation>
		</message>
		<message>
			<source>no such steps to join</source>
			<translation>keine solchen Schritte zu verbinden</translation>
		</message>
		<message>
			<source>no such version</source>
			<translation>keine solche Fassung</translation>
		</message>
		<message>
			<source>no target</source>
			<translation>kein Ziel</translation>
		</message>
		<message>
			<source>no tint to see</source>
			<translation>keine Tonung zu sehen</translation>
		</message>
		<message>
			<source>no value of this part</source>
			<translation>kein Wert dieses Teils</translation>
		</message>
		<message>
			<source>noise %1 %, colour %2 %; all off: %3 dB less, edges keep %4 %</source>
			<translation>Rauschen %1 %, Farbe %2 %; ganz weg: %3 dB weniger, Kanten behalten %4 %</translation>
		</message>
		<message>
			<source>noise is of the file and not of the look</source>
			<translation>Rauschen gehört zur Datei und nicht zum Look</translation>
		</message>
		<message>
			<source>noise of %1 hundredths in flat places</source>
			<translation>Rauschen von %1 Hundertsteln in ruhigen Flächen</translation>
		</message>
		<message>
			<source>noise of a code before 8 bits</source>
			<translation>Rauschen um einen Code vor 8 Bit</translation>
		</message>
		<message>
			<source>noise off</source>
			<translation>Rauschen weg</translation>
		</message>
		<message>
			<source>noise taken off</source>
			<translation>gemindertes Rauschen</translation>
		</message>
		<message>
			<source>none</source>
			<translation>keine</translation>
		</message>
		<message>
			<source>none of these changed the look</source>
			<translation>nichts davon änderte den Look</translation>
		</message>
		<message>
			<source>not a .cube table</source>
			<translation>keine .cube-Tabelle</translation>
		</message>
		<message>
			<source>not a Common LUT Format file</source>
			<translation>keine Datei im Common LUT Format</translation>
		</message>
		<message>
			<source>not a Hald picture</source>
			<translation>kein Hald-Bild</translation>
		</message>
		<message>
			<source>not a colour profile</source>
			<translation>kein Farbprofil</translation>
		</message>
		<message>
			<source>not a file</source>
			<translation>keine Datei</translation>
		</message>
		<message>
			<source>not a finite number in the result</source>
			<translation>keine endliche Zahl im Ergebnis</translation>
		</message>
		<message>
			<source>not a job of this program</source>
			<translation>kein Auftrag dieses Programms</translation>
		</message>
		<message>
			<source>not a list of written files</source>
			<translation>keine Liste geschriebener Dateien</translation>
		</message>
		<message>
			<source>not a look: the file is not JSON</source>
			<translation>kein Look: die Datei ist kein JSON</translation>
		</message>
		<message>
			<source>not a mask</source>
			<translation>keine Maske</translation>
		</message>
		<message>
			<source>not a picture this program reads</source>
			<translation>kein Bild, das dieses Programm liest</translation>
		</message>
		<message>
			<source>not a recipe</source>
			<translation>kein Rezept</translation>
		</message>
		<message>
			<source>not a route</source>
			<translation>kein Weg</translation>
		</message>
		<message>
			<source>not a shape this version knows</source>
			<translation>keine Form, die diese Fassung kennt</translation>
		</message>
		<message>
			<source>not an ASC CDL file</source>
			<translation>keine ASC-CDL-Datei</translation>
		</message>
		<message>
			<source>not balanced</source>
			<translation>nicht ausgeglichen</translation>
		</message>
		<message>
			<source>not even all of it takes the finding away: %1</source>
			<translation>nicht einmal alles davon behebt den Befund: %1</translation>
		</message>
		<message>
			<source>not found</source>
			<translation>nicht gefunden</translation>
		</message>
		<message>
			<source>not here</source>
			<translation>nicht hier</translation>
		</message>
		<message>
			<source>not known</source>
			<translation>nicht bekannt</translation>
		</message>
		<message>
			<source>not looked up</source>
			<translation>nicht nachgeschlagen</translation>
		</message>
		<message>
			<source>not marked</source>
			<translation>nicht markiert</translation>
		</message>
		<message>
			<source>not measured</source>
			<translation>nicht gemessen</translation>
		</message>
		<message>
			<source>not measured yet</source>
			<translation>noch nicht gemessen</translation>
		</message>
		<message>
			<source>not met</source>
			<translation>nicht erreicht</translation>
		</message>
		<message>
			<source>not monotone</source>
			<translation>nicht monoton</translation>
		</message>
		<message>
			<source>not said</source>
			<translation>nicht gesagt</translation>
		</message>
		<message>
			<source>not said; write it on the intent card</source>
			<translation>nicht gesagt; schreiben Sie es auf die Zielkarte</translation>
		</message>
		<message>
			<source>not sure: texture, or noise of %1 %, colour %2 %; all off: %3 dB less, edges keep %4 %</source>
			<translation>nicht sicher: Struktur oder Rauschen von %1 %, Farbe %2 %; ganz weg: %3 dB weniger, Kanten behalten %4 %</translation>
		</message>
		<message>
			<source>note</source>
			<translation>Notiz</translation>
		</message>
		<message>
			<source>nothing</source>
			<translation>nichts</translation>
		</message>
		<message>
			<source>nothing at</source>
			<translation>nichts bei</translation>
		</message>
		<message>
			<source>nothing can be kept here</source>
			<translation>hier lässt sich nichts aufbewahren</translation>
		</message>
		<message>
			<source>nothing draws the eye from the subject by the look</source>
			<translation>nichts lenkt durch den Look vom Motiv ab</translation>
		</message>
		<message>
			<source>nothing moves by itself</source>
			<translation>nichts bewegt sich von selbst</translation>
		</message>
		<message>
			<source>nothing that shows</source>
			<translation>nichts Sichtbares</translation>
		</message>
		<message>
			<source>nothing to open</source>
			<translation>nichts zu öffnen</translation>
		</message>
		<message>
			<source>nothing worth changing</source>
			<translation>nichts, was zu ändern lohnt</translation>
		</message>
		<message>
			<source>now</source>
			<translation>jetzt</translation>
		</message>
		<message>
			<source>number of curve points</source>
			<translation>Zahl der Kurvenpunkte</translation>
		</message>
		<message>
			<source>numbers near the picture</source>
			<translation>Zahlen nahe dem Bild</translation>
		</message>
		<message>
			<source>of a light</source>
			<translation>eines Lichts</translation>
		</message>
		<message>
			<source>off</source>
			<translation>aus</translation>
		</message>
		<message>
			<source>offered, sure %1 %</source>
			<translation>vorgeschlagen, sicher zu %1 %</translation>
		</message>
		<message>
			<source>on</source>
			<translation>an</translation>
		</message>
		<message>
			<source>on %1: ΔE00 mean %2, 95 % below %3, at most %4</source>
			<translation>auf %1: ΔE00 im Mittel %2, 95 % unter %3, höchstens %4</translation>
		</message>
		<message>
			<source>on the practice job</source>
			<translation>am Übungsauftrag</translation>
		</message>
		<message>
			<source>on your own frames</source>
			<translation>an eigenen Aufnahmen</translation>
		</message>
		<message>
			<source>one file</source>
			<translation>eine Datei</translation>
		</message>
		<message>
			<source>one frame</source>
			<translation>eine Aufnahme</translation>
		</message>
		<message>
			<source>one that no other has</source>
			<translation>einer, den kein anderer hat</translation>
		</message>
		<message>
			<source>only %1</source>
			<translation>nur %1</translation>
		</message>
		<message>
			<source>only a number has digits in a name</source>
			<translation>nur eine Nummer hat Stellen im Namen</translation>
		</message>
		<message>
			<source>only this differs: other light on it, or another thing</source>
			<translation>nur dies weicht ab: anderes Licht darauf oder ein anderes Ding</translation>
		</message>
		<message>
			<source>open</source>
			<translation>offen</translation>
		</message>
		<message>
			<source>open, %1 times its limit</source>
			<translation>offen, das %1-Fache der Grenze</translation>
		</message>
		<message>
			<source>opposite</source>
			<translation>gegenüber</translation>
		</message>
		<message>
			<source>other colours</source>
			<translation>andere Farben</translation>
		</message>
		<message>
			<source>other content: %1 has colours no other frame has</source>
			<translation>anderer Inhalt: %1 hat Farben, die keine andere Aufnahme hat</translation>
		</message>
		<message>
			<source>other light</source>
			<translation>anderes Licht</translation>
		</message>
		<message>
			<source>ours</source>
			<translation>unseres</translation>
		</message>
		<message>
			<source>ours too near grey</source>
			<translation>bei uns zu nah am Grau</translation>
		</message>
		<message>
			<source>out</source>
			<translation>aus</translation>
		</message>
		<message>
			<source>out of group %1</source>
			<translation>aus Gruppe %1</translation>
		</message>
		<message>
			<source>out%1</source>
			<translation>unterwegs%1</translation>
		</message>
		<message>
			<source>outline</source>
			<translation>Umriss</translation>
		</message>
		<message>
			<source>outside</source>
			<translation>außerhalb</translation>
		</message>
		<message>
			<source>over all colours: ΔE00 mean %1, 95 % below %2, at most %3</source>
			<translation>über alle Farben: ΔE00 im Mittel %1, 95 % unter %2, höchstens %3</translation>
		</message>
		<message>
			<source>own size</source>
			<translation>eigene Größe</translation>
		</message>
		<message>
			<source>paler</source>
			<translation>blasser</translation>
		</message>
		<message>
			<source>passed over: %1 (%2)</source>
			<translation>übergangen: %1 (%2)</translation>
		</message>
		<message>
			<source>patch %</source>
			<translation>Feld %</translation>
		</message>
		<message>
			<source>perceptual</source>
			<translation>wahrnehmungstreu</translation>
		</message>
		<message>
			<source>perhaps not the same thing: look at its place</source>
			<translation>vielleicht nicht dasselbe Ding: sehen Sie die Stelle an</translation>
		</message>
		<message>
			<source>picture brings</source>
			<translation>bringt das Bild</translation>
		</message>
		<message>
			<source>picture too large</source>
			<translation>Bild zu groß</translation>
		</message>
		<message>
			<source>pictures cannot be seen as on this screen</source>
			<translation>Bilder lassen sich nicht wie auf diesem Bildschirm sehen</translation>
		</message>
		<message>
			<source>pictures cannot be shown through this profile</source>
			<translation>Bilder lassen sich durch dieses Profil nicht zeigen</translation>
		</message>
		<message>
			<source>pictures that came back cannot be kept there</source>
			<translation>zurückgekommene Bilder lassen sich dort nicht aufbewahren</translation>
		</message>
		<message>
			<source>pictures with colours</source>
			<translation>Bilder mit Farben</translation>
		</message>
		<message>
			<source>pin</source>
			<translation>Merker</translation>
		</message>
		<message>
			<source>pinker</source>
			<translation>rosiger</translation>
		</message>
		<message>
			<source>pinned: %1</source>
			<translation>festgehalten: %1</translation>
		</message>
		<message>
			<source>pins</source>
			<translation>Merker</translation>
		</message>
		<message>
			<source>pivot</source>
			<translation>Drehpunkt</translation>
		</message>
		<message>
			<source>plum</source>
			<translation>Pflaume</translation>
		</message>
		<message>
			<source>position 0 to 1, hue 0 to 360, chroma 0 to 0.3, reach 0.05 to 1.5</source>
			<translation>Lage 0 bis 1, Farbton 0 bis 360, Buntheit 0 bis 0,3, Reichweite 0,05 bis 1,5</translation>
		</message>
		<message>
			<source>present</source>
			<translation>deutlich</translation>
		</message>
		<message>
			<source>print</source>
			<translation>Druck</translation>
		</message>
		<message>
			<source>prints in</source>
			<translation>Drucke in</translation>
		</message>
		<message>
			<source>profile file…</source>
			<translation>Profildatei …</translation>
		</message>
		<message>
			<source>proposed</source>
			<translation>vorgeschlagen</translation>
		</message>
		<message>
			<source>protect darks</source>
			<translation>Tiefen schonen</translation>
		</message>
		<message>
			<source>purity ×</source>
			<translation>Reinheit ×</translation>
		</message>
		<message>
			<source>quality</source>
			<translation>Qualität</translation>
		</message>
		<message>
			<source>radius px</source>
			<translation>Radius px</translation>
		</message>
		<message>
			<source>ramp</source>
			<translation>Verlauf</translation>
		</message>
		<message>
			<source>ramp, ellipse, outline, stroke, range or found</source>
			<translation>ramp, ellipse, outline, stroke, range oder found</translation>
		</message>
		<message>
			<source>rated</source>
			<translation>gewertete</translation>
		</message>
		<message>
			<source>ratio</source>
			<translation>Verhältnis</translation>
		</message>
		<message>
			<source>raw</source>
			<translation>Raw</translation>
		</message>
		<message>
			<source>raw: nothing is at its end</source>
			<translation>Raw: nichts ist an seinem Ende</translation>
		</message>
		<message>
			<source>reach</source>
			<translation>weit</translation>
		</message>
		<message>
			<source>reach %</source>
			<translation>Weite %</translation>
		</message>
		<message>
			<source>reaches %1 % of its colours</source>
			<translation>erreicht %1 % seiner Farben</translation>
		</message>
		<message>
			<source>reading…</source>
			<translation>wird gelesen …</translation>
		</message>
		<message>
			<source>reason taken away</source>
			<translation>Grund entfernt</translation>
		</message>
		<message>
			<source>reason: %1</source>
			<translation>Grund: %1</translation>
		</message>
		<message>
			<source>red</source>
			<translation>Rot</translation>
		</message>
		<message>
			<source>red curve</source>
			<translation>Rotkurve</translation>
		</message>
		<message>
			<source>red fringe %</source>
			<translation>roter Saum %</translation>
		</message>
		<message>
			<source>red turn °</source>
			<translation>Rot drehen °</translation>
		</message>
		<message>
			<source>red, green and blue</source>
			<translation>Rot, Grün und Blau</translation>
		</message>
		<message>
			<source>redder</source>
			<translation>röter</translation>
		</message>
		<message>
			<source>reds lose %1 % of their chroma to local contrast</source>
			<translation>Rottöne verlieren %1 % ihrer Buntheit an lokalen Kontrast</translation>
		</message>
		<message>
			<source>reference</source>
			<translation>Vorlage</translation>
		</message>
		<message>
			<source>reference noted</source>
			<translation>Vorlage vermerkt</translation>
		</message>
		<message>
			<source>reference taken away</source>
			<translation>Vorlage entfernt</translation>
		</message>
		<message>
			<source>reference: %1</source>
			<translation>Vorlage: %1</translation>
		</message>
		<message>
			<source>regions left out %1</source>
			<translation>ausgelassene Stellen %1</translation>
		</message>
		<message>
			<source>relative</source>
			<translation>relativ</translation>
		</message>
		<message numerus="yes">
			<source>replayed, %n entries</source>
			<translation>
				<numerusform>wiederholt, %n Eintrag</numerusform>
				<numerusform>wiederholt, %n Einträge</numerusform>
			</translation>
		</message>
		<message>
			<source>resolution</source>
			<translation>Auflösung</translation>
		</message>
		<message>
			<source>response %1</source>
			<translation>Kennlinie %1</translation>
		</message>
		<message>
			<source>rest the eyes after</source>
			<translation>die Augen ruhen nach</translation>
		</message>
		<message>
			<source>rests on %1</source>
			<translation>beruht auf %1</translation>
		</message>
		<message>
			<source>result</source>
			<translation>Ergebnis</translation>
		</message>
		<message>
			<source>rights</source>
			<translation>Rechte</translation>
		</message>
		<message>
			<source>role %1 added</source>
			<translation>Rolle %1 hinzugefügt</translation>
		</message>
		<message>
			<source>role %1 changed</source>
			<translation>Rolle %1 geändert</translation>
		</message>
		<message>
			<source>role %1 removed</source>
			<translation>Rolle %1 entfernt</translation>
		</message>
		<message>
			<source>round %1 of %2, %3 right</source>
			<translation>Runde %1 von %2, %3 richtig</translation>
		</message>
		<message numerus="yes">
			<source>round %1: %n files</source>
			<translation>
				<numerusform>Runde %1: %n Datei</numerusform>
				<numerusform>Runde %1: %n Dateien</numerusform>
			</translation>
		</message>
		<message>
			<source>roundness</source>
			<translation>Rundheit</translation>
		</message>
		<message>
			<source>s</source>
			<translation>b</translation>
		</message>
		<message>
			<source>sRGB in</source>
			<translation>sRGB ein</translation>
		</message>
		<message>
			<source>same things as %1</source>
			<translation>gleiche Dinge wie %1</translation>
		</message>
		<message>
			<source>sampled</source>
			<translation>abgetastet</translation>
		</message>
		<message>
			<source>saturation</source>
			<translation>sättigungstreu</translation>
		</message>
		<message>
			<source>saturation 0 or more</source>
			<translation>Sättigung 0 oder mehr</translation>
		</message>
		<message>
			<source>says</source>
			<translation>sagt</translation>
		</message>
		<message>
			<source>screen</source>
			<translation>Schirm</translation>
		</message>
		<message>
			<source>second</source>
			<translation>zweites</translation>
		</message>
		<message>
			<source>seed</source>
			<translation>Zufallszahl</translation>
		</message>
		<message>
			<source>seen as %1</source>
			<translation>gesehen wie %1</translation>
		</message>
		<message>
			<source>set</source>
			<translation>Auswahl</translation>
		</message>
		<message>
			<source>set by hand</source>
			<translation>von Hand gesetzt</translation>
		</message>
		<message>
			<source>setting</source>
			<translation>Einstellung</translation>
		</message>
		<message>
			<source>settings and colours</source>
			<translation>Einstellungen und Farben</translation>
		</message>
		<message>
			<source>settings; same things as %1</source>
			<translation>Kameraeinstellungen; gleiche Dinge wie %1</translation>
		</message>
		<message>
			<source>shade</source>
			<translation>Schatten</translation>
		</message>
		<message>
			<source>shape</source>
			<translation>Form</translation>
		</message>
		<message>
			<source>shape %1</source>
			<translation>Format %1</translation>
		</message>
		<message>
			<source>sharpening</source>
			<translation>Schärfung</translation>
		</message>
		<message>
			<source>shelter</source>
			<translation>Schonung</translation>
		</message>
		<message>
			<source>shutter, aperture and sensitivity</source>
			<translation>Verschlusszeit, Blende und Empfindlichkeit</translation>
		</message>
		<message>
			<source>size</source>
			<translation>Größe</translation>
		</message>
		<message>
			<source>size %</source>
			<translation>Größe %</translation>
		</message>
		<message>
			<source>size of words and controls</source>
			<translation>Größe von Wörtern und Bedienelementen</translation>
		</message>
		<message>
			<source>size ‰</source>
			<translation>Größe ‰</translation>
		</message>
		<message>
			<source>sky</source>
			<translation>Himmel</translation>
		</message>
		<message>
			<source>slope</source>
			<translation>Steigung</translation>
		</message>
		<message>
			<source>slope 0 or more, power above 0, finite numbers</source>
			<translation>Steigung 0 oder mehr, Potenz über 0, endliche Zahlen</translation>
		</message>
		<message>
			<source>something that this version cannot read (%1)</source>
			<translation>etwas, das diese Fassung des Programms nicht lesen kann (%1)</translation>
		</message>
		<message>
			<source>split opposite</source>
			<translation>geteilt</translation>
		</message>
		<message>
			<source>srgb, p3, oprgb, prophoto, rec2020 or linear</source>
			<translation>srgb, p3, oprgb, prophoto, rec2020 oder linear</translation>
		</message>
		<message>
			<source>stages were expected</source>
			<translation>Stationen wurden erwartet</translation>
		</message>
		<message>
			<source>stands alone: no other frame in its light</source>
			<translation>steht allein: keine andere Aufnahme in ihrem Licht</translation>
		</message>
		<message>
			<source>stands for its light</source>
			<translation>steht für ihr Licht</translation>
		</message>
		<message>
			<source>step</source>
			<translation>Schritt</translation>
		</message>
		<message>
			<source>step %1</source>
			<translation>Schritt %1</translation>
		</message>
		<message>
			<source>step %1 %2 of %3</source>
			<translation>Schritt %1 %2 von %3</translation>
		</message>
		<message>
			<source>steps that work by place cannot be joined</source>
			<translation>Schritte, die nach dem Ort wirken, lassen sich nicht verbinden</translation>
		</message>
		<message>
			<source>stone</source>
			<translation>Stein</translation>
		</message>
		<message>
			<source>stopped</source>
			<translation>angehalten</translation>
		</message>
		<message>
			<source>stops</source>
			<translation>Blenden</translation>
		</message>
		<message>
			<source>straighten</source>
			<translation>gerade</translation>
		</message>
		<message>
			<source>straightened</source>
			<translation>gerade gerichtet</translation>
		</message>
		<message>
			<source>straw</source>
			<translation>Stroh</translation>
		</message>
		<message>
			<source>strength</source>
			<translation>Stärke</translation>
		</message>
		<message>
			<source>strength %1</source>
			<translation>Stärke %1</translation>
		</message>
		<message>
			<source>strength outside its limits</source>
			<translation>Stärke außerhalb ihrer Grenzen</translation>
		</message>
		<message>
			<source>stretch</source>
			<translation>strecken</translation>
		</message>
		<message>
			<source>stretch *</source>
			<translation>strecken *</translation>
		</message>
		<message>
			<source>strong</source>
			<translation>kräftig</translation>
		</message>
		<message>
			<source>stronger</source>
			<translation>kräftiger</translation>
		</message>
		<message>
			<source>subfolder</source>
			<translation>Unterordner</translation>
		</message>
		<message>
			<source>switch</source>
			<translation>Schalter</translation>
		</message>
		<message>
			<source>switched off</source>
			<translation>ausgeschaltet</translation>
		</message>
		<message>
			<source>switched on</source>
			<translation>eingeschaltet</translation>
		</message>
		<message>
			<source>table size outside the limits</source>
			<translation>Tabellengröße außerhalb der Grenzen</translation>
		</message>
		<message>
			<source>ten numbers</source>
			<translation>zehn Zahlen</translation>
		</message>
		<message>
			<source>text</source>
			<translation>Text</translation>
		</message>
		<message>
			<source>texture</source>
			<translation>Struktur</translation>
		</message>
		<message>
			<source>the balance cannot be read</source>
			<translation>der Ausgleich lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>the colour profile cannot be read</source>
			<translation>das Farbprofil lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>the colour profile did not arrive in the file</source>
			<translation>das Farbprofil kam nicht in der Datei an</translation>
		</message>
		<message>
			<source>the curve must not fall</source>
			<translation>die Kurve darf nicht fallen</translation>
		</message>
		<message>
			<source>the domain 0 to 1</source>
			<translation>der Bereich 0 bis 1</translation>
		</message>
		<message>
			<source>the embedded colour profile cannot be used</source>
			<translation>das eingebettete Farbprofil lässt sich nicht verwenden</translation>
		</message>
		<message>
			<source>the embedded colour profile does not fit the picture</source>
			<translation>das eingebettete Farbprofil passt nicht zum Bild</translation>
		</message>
		<message>
			<source>the embedded colour profile is damaged</source>
			<translation>das eingebettete Farbprofil ist beschädigt</translation>
		</message>
		<message>
			<source>the embedded grey profile has no tone curve</source>
			<translation>das eingebettete Grauprofil hat keine Tonwertkurve</translation>
		</message>
		<message>
			<source>the exposures do not determine a response</source>
			<translation>die Belichtungen bestimmen keine Kennlinie</translation>
		</message>
		<message>
			<source>the exposures of a bracket differ in size</source>
			<translation>die Belichtungen einer Reihe sind verschieden groß</translation>
		</message>
		<message>
			<source>the file cannot be made that light at this size</source>
			<translation>so leicht lässt sich die Datei in dieser Größe nicht machen</translation>
		</message>
		<message>
			<source>the file does not say how it was exposed</source>
			<translation>die Datei sagt nicht, wie belichtet wurde</translation>
		</message>
		<message>
			<source>the file has 16 bits: steps are as fine as the result can hold</source>
			<translation>die Datei hat 16 Bit: die Stufen sind so fein, wie das Ergebnis sie halten kann</translation>
		</message>
		<message>
			<source>the file holds nothing there; another exposure of it might</source>
			<translation>die Datei enthält dort nichts; eine andere Belichtung vielleicht</translation>
		</message>
		<message>
			<source>the file is empty</source>
			<translation>die Datei ist leer</translation>
		</message>
		<message>
			<source>the file is too large</source>
			<translation>die Datei ist zu groß</translation>
		</message>
		<message>
			<source>the folder cannot be read</source>
			<translation>der Ordner lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>the folder of its pictures cannot be made</source>
			<translation>der Ordner für seine Bilder lässt sich nicht anlegen</translation>
		</message>
		<message>
			<source>the frame in hand</source>
			<translation>die Aufnahme in Arbeit</translation>
		</message>
		<message>
			<source>the frame in hand and its companions</source>
			<translation>die Aufnahme in Arbeit und ihre Begleiter</translation>
		</message>
		<message>
			<source>the frame is lighter or darker</source>
			<translation>die Aufnahme ist heller oder dunkler</translation>
		</message>
		<message>
			<source>the frame leans %1° to the left</source>
			<translation>die Aufnahme neigt sich %1° nach links</translation>
		</message>
		<message>
			<source>the frame leans %1° to the right</source>
			<translation>die Aufnahme neigt sich %1° nach rechts</translation>
		</message>
		<message>
			<source>the frame was not read</source>
			<translation>die Aufnahme wurde nicht gelesen</translation>
		</message>
		<message>
			<source>the input it expects: balanced frames, window light</source>
			<translation>was er erwartet: ausgeglichene Aufnahmen, Fensterlicht</translation>
		</message>
		<message>
			<source>the job cannot be opened</source>
			<translation>der Auftrag lässt sich nicht öffnen</translation>
		</message>
		<message>
			<source>the job cannot be used</source>
			<translation>der Auftrag lässt sich nicht verwenden</translation>
		</message>
		<message>
			<source>the job has no such look</source>
			<translation>der Auftrag hat keinen solchen Look</translation>
		</message>
		<message>
			<source>the job has no such revision</source>
			<translation>der Auftrag hat keinen solchen Stand</translation>
		</message>
		<message>
			<source>the job was written by a newer version</source>
			<translation>der Auftrag wurde von einer neueren Fassung geschrieben</translation>
		</message>
		<message>
			<source>the journal cannot be read here, and nothing was changed</source>
			<translation>das Tagebuch lässt sich hier nicht lesen, und nichts wurde geändert</translation>
		</message>
		<message>
			<source>the key colours cannot be read</source>
			<translation>die Leitfarben lassen sich nicht lesen</translation>
		</message>
		<message>
			<source>the lead of the light does not show it</source>
			<translation>die Leitaufnahme des Lichts zeigt es nicht</translation>
		</message>
		<message>
			<source>the list of a part cannot be read</source>
			<translation>die Liste eines Teils lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>the look has no room for further roles</source>
			<translation>der Look hat keinen Platz für weitere Rollen</translation>
		</message>
		<message>
			<source>the look has no room for further steps</source>
			<translation>der Look hat keinen Platz für weitere Schritte</translation>
		</message>
		<message>
			<source>the look has no such step</source>
			<translation>der Look hat keinen solchen Schritt</translation>
		</message>
		<message>
			<source>the look makes it %1 hundredths darker than the lead of its light</source>
			<translation>der Look macht sie %1 Hundertstel dunkler als die Leitaufnahme ihres Lichts</translation>
		</message>
		<message>
			<source>the look makes it %1 hundredths lighter than the lead of its light</source>
			<translation>der Look macht sie %1 Hundertstel heller als die Leitaufnahme ihres Lichts</translation>
		</message>
		<message>
			<source>the look makes the frame %1 hundredths darker on the whole</source>
			<translation>der Look macht die Aufnahme im Ganzen %1 Hundertstel dunkler</translation>
		</message>
		<message>
			<source>the look makes the frame %1 hundredths lighter on the whole</source>
			<translation>der Look macht die Aufnahme im Ganzen %1 Hundertstel heller</translation>
		</message>
		<message>
			<source>the look that is in it cannot be read</source>
			<translation>der Look darin lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>the look tints greys of tone %1 by %2, towards %3, though its card wants them %4</source>
			<translation>der Look tönt Grau der Stufe %1 um %2 nach %3, obwohl seine Karte es %4 will</translation>
		</message>
		<message>
			<source>the look tints it, not the light</source>
			<translation>der Look tönt es, nicht das Licht</translation>
		</message>
		<message>
			<source>the mask of an area is not there</source>
			<translation>die Maske eines Bereichs ist nicht da</translation>
		</message>
		<message>
			<source>the name of a parameter</source>
			<translation>der Name eines Parameters</translation>
		</message>
		<message>
			<source>the one frame</source>
			<translation>die eine Aufnahme</translation>
		</message>
		<message>
			<source>the pages could not be made</source>
			<translation>die Seiten ließen sich nicht machen</translation>
		</message>
		<message>
			<source>the patch lies outside the picture</source>
			<translation>der Fleck liegt außerhalb des Bildes</translation>
		</message>
		<message>
			<source>the picture after is flat: nothing can be told from it</source>
			<translation>das Bild danach ist einfarbig: ihm ist nichts zu entnehmen</translation>
		</message>
		<message>
			<source>the picture before is flat: its colours are all alike</source>
			<translation>das Bild davor ist einfarbig: seine Farben sind alle gleich</translation>
		</message>
		<message>
			<source>the picture is cut short</source>
			<translation>das Bild ist abgeschnitten</translation>
		</message>
		<message>
			<source>the picture is flat: there is nothing to match to</source>
			<translation>das Bild ist einfarbig: es gibt nichts anzugleichen</translation>
		</message>
		<message>
			<source>the pictures differ in size</source>
			<translation>die Bilder sind verschieden groß</translation>
		</message>
		<message>
			<source>the pictures do not show the same thing: nothing in one was found in the other</source>
			<translation>die Bilder zeigen nicht dasselbe: nichts aus dem einen fand sich im anderen</translation>
		</message>
		<message>
			<source>the pictures of a pair differ in size</source>
			<translation>die Bilder eines Paars sind verschieden groß</translation>
		</message>
		<message>
			<source>the raw file gives no picture of three colours</source>
			<translation>die Raw-Datei ergibt kein Bild aus drei Farben</translation>
		</message>
		<message>
			<source>the role %1 came along: say on each frame where it lies</source>
			<translation>die Rolle %1 kam mit: sagen Sie auf jeder Aufnahme, wo sie liegt</translation>
		</message>
		<message>
			<source>the role %1 is marked on no frame here</source>
			<translation>die Rolle %1 ist hier auf keiner Aufnahme markiert</translation>
		</message>
		<message>
			<source>the round has no file %1</source>
			<translation>die Runde hat keine Datei %1</translation>
		</message>
		<message>
			<source>the same</source>
			<translation>gleich</translation>
		</message>
		<message>
			<source>the same picture as %1</source>
			<translation>dasselbe Bild wie %1</translation>
		</message>
		<message>
			<source>the same values</source>
			<translation>dieselben Werte</translation>
		</message>
		<message>
			<source>the shoot</source>
			<translation>die Serie</translation>
		</message>
		<message>
			<source>the step</source>
			<translation>der Schritt</translation>
		</message>
		<message>
			<source>the subject stands out by %1, before the look by %2 (hundredths)</source>
			<translation>das Motiv hebt sich um %1 ab, vor dem Look um %2 (Hundertstel)</translation>
		</message>
		<message>
			<source>the table's values are missing</source>
			<translation>die Werte der Tabelle fehlen</translation>
		</message>
		<message>
			<source>the whole frame is cooler</source>
			<translation>die ganze Aufnahme ist kühler</translation>
		</message>
		<message>
			<source>the whole frame is darker</source>
			<translation>die ganze Aufnahme ist dunkler</translation>
		</message>
		<message>
			<source>the whole frame is lighter</source>
			<translation>die ganze Aufnahme ist heller</translation>
		</message>
		<message>
			<source>the whole frame is warmer</source>
			<translation>die ganze Aufnahme ist wärmer</translation>
		</message>
		<message>
			<source>the whole look</source>
			<translation>der ganze Look</translation>
		</message>
		<message>
			<source>the whole picture</source>
			<translation>das ganze Bild</translation>
		</message>
		<message>
			<source>the whole picture; Enter ends</source>
			<translation>das ganze Bild; Eingabe beendet</translation>
		</message>
		<message>
			<source>there is no lead</source>
			<translation>es gibt keine Leitaufnahme</translation>
		</message>
		<message>
			<source>there is no manifest of a delivery here</source>
			<translation>hier liegt keine Liste einer Lieferung</translation>
		</message>
		<message>
			<source>there is no picture to practise on</source>
			<translation>es gibt kein Bild zum Üben</translation>
		</message>
		<message>
			<source>there is no such row</source>
			<translation>es gibt keine solche Zeile</translation>
		</message>
		<message>
			<source>there is not enough memory for it</source>
			<translation>dafür ist nicht genug Speicher da</translation>
		</message>
		<message>
			<source>there is nothing to ask about</source>
			<translation>es gibt nichts zu fragen</translation>
		</message>
		<message>
			<source>there is too little of it in one of the pictures to be matched</source>
			<translation>in einem der Bilder ist zu wenig davon, um es anzugleichen</translation>
		</message>
		<message>
			<source>there would be too many roles</source>
			<translation>es wären zu viele Rollen</translation>
		</message>
		<message>
			<source>there would be too many steps</source>
			<translation>es wären zu viele Schritte</translation>
		</message>
		<message>
			<source>these frames were all exposed alike</source>
			<translation>diese Aufnahmen wurden alle gleich belichtet</translation>
		</message>
		<message>
			<source>thing</source>
			<translation>Gegenstand</translation>
		</message>
		<message>
			<source>things both show</source>
			<translation>Dingen, die beide zeigen</translation>
		</message>
		<message>
			<source>this frame</source>
			<translation>diese Aufnahme</translation>
		</message>
		<message>
			<source>this is no profile of a printer</source>
			<translation>das ist kein Profil eines Druckers</translation>
		</message>
		<message>
			<source>this is no profile of a screen</source>
			<translation>das ist kein Profil eines Bildschirms</translation>
		</message>
		<message>
			<source>this is not a colour profile, or it is damaged</source>
			<translation>das ist kein Farbprofil, oder es ist beschädigt</translation>
		</message>
		<message>
			<source>this is not a profile of a screen</source>
			<translation>das ist kein Profil eines Bildschirms</translation>
		</message>
		<message>
			<source>this pixel type is not read</source>
			<translation>diese Art von Pixeln wird nicht gelesen</translation>
		</message>
		<message>
			<source>this round was answered</source>
			<translation>diese Runde ist beantwortet</translation>
		</message>
		<message>
			<source>this was taken back: the job never went on from it</source>
			<translation>das wurde zurückgenommen: der Auftrag ging nie von dort weiter</translation>
		</message>
		<message>
			<source>ticked by hand</source>
			<translation>von Hand abgehakt</translation>
		</message>
		<message>
			<source>ticked off</source>
			<translation>abgehakte</translation>
		</message>
		<message>
			<source>times</source>
			<translation>fach</translation>
		</message>
		<message>
			<source>tint</source>
			<translation>Tönung</translation>
		</message>
		<message>
			<source>tint of black</source>
			<translation>Tonung von Schwarz</translation>
		</message>
		<message>
			<source>tint of white</source>
			<translation>Tonung von Weiß</translation>
		</message>
		<message>
			<source>to</source>
			<translation>bis</translation>
		</message>
		<message>
			<source>to %1</source>
			<translation>an %1</translation>
		</message>
		<message>
			<source>tone</source>
			<translation>Ton</translation>
		</message>
		<message>
			<source>tone %1</source>
			<translation>Ton %1</translation>
		</message>
		<message>
			<source>tone %1, chroma %2, hue %3° · held by the guard to %4 %</source>
			<translation>Ton %1, Buntheit %2, Farbton %3° · vom Schutz auf %4 % gehalten</translation>
		</message>
		<message>
			<source>tone %1, chroma %2, hue %3° · the guard lets %4 % through</source>
			<translation>Ton %1, Buntheit %2, Farbton %3° · der Schutz lässt %4 % durch</translation>
		</message>
		<message>
			<source>tone %1; nearest point %2 of %3</source>
			<translation>Ton %1; nächster Punkt %2 von %3</translation>
		</message>
		<message>
			<source>tone %1; receives chroma %2 at hue %3°</source>
			<translation>Ton %1; erhält Buntheit %2 bei Farbton %3°</translation>
		</message>
		<message>
			<source>tone from</source>
			<translation>Ton ab</translation>
		</message>
		<message>
			<source>tones change places near %1 (slope %2, keep above 0)</source>
			<translation>Töne tauschen nahe %1 die Plätze (Steigung %2, über 0 halten)</translation>
		</message>
		<message>
			<source>too few colours are seen in both pictures</source>
			<translation>zu wenige Farben sind in beiden Bildern zu sehen</translation>
		</message>
		<message>
			<source>too few rows</source>
			<translation>zu wenige Zeilen</translation>
		</message>
		<message>
			<source>too large for a part</source>
			<translation>zu groß für einen Teil</translation>
		</message>
		<message>
			<source>too little in ours</source>
			<translation>zu wenig bei uns</translation>
		</message>
		<message>
			<source>too little in the reference</source>
			<translation>zu wenig in der Vorlage</translation>
		</message>
		<message>
			<source>too little is seen unclipped in both exposures</source>
			<translation>zu wenig ist in beiden Belichtungen unbeschnitten</translation>
		</message>
		<message>
			<source>too many dyes</source>
			<translation>zu viele Farben</translation>
		</message>
		<message>
			<source>too many entries</source>
			<translation>zu viele Einträge</translation>
		</message>
		<message>
			<source>too many families</source>
			<translation>zu viele Familien</translation>
		</message>
		<message>
			<source>too many operations</source>
			<translation>zu viele Operationen</translation>
		</message>
		<message>
			<source>too many roles</source>
			<translation>zu viele Rollen</translation>
		</message>
		<message>
			<source>too many steps</source>
			<translation>zu viele Schritte</translation>
		</message>
		<message>
			<source>too short or too long</source>
			<translation>zu kurz oder zu lang</translation>
		</message>
		<message>
			<source>too small to be measured</source>
			<translation>zu klein zum Messen</translation>
		</message>
		<message>
			<source>touches %1 % of the picture, %2 % of it apart</source>
			<translation>berührt %1 % des Bildes, davon %2 % abseits</translation>
		</message>
		<message>
			<source>touches nothing</source>
			<translation>berührt nichts</translation>
		</message>
		<message>
			<source>travels</source>
			<translation>reist</translation>
		</message>
		<message>
			<source>travels, but is bound to a subject: %1</source>
			<translation>reist, ist aber an einen Gegenstand gebunden: %1</translation>
		</message>
		<message>
			<source>triad</source>
			<translation>Dreiklang</translation>
		</message>
		<message>
			<source>triad, second</source>
			<translation>Dreiklang, der zweite</translation>
		</message>
		<message>
			<source>triad, third</source>
			<translation>Dreiklang, der dritte</translation>
		</message>
		<message>
			<source>true</source>
			<translation>echt</translation>
		</message>
		<message>
			<source>true or false</source>
			<translation>wahr oder falsch</translation>
		</message>
		<message>
			<source>true or false was expected</source>
			<translation>wahr oder falsch wurde erwartet</translation>
		</message>
		<message>
			<source>turn</source>
			<translation>Drehung</translation>
		</message>
		<message>
			<source>turn %1°, chroma ×%2, L %3</source>
			<translation>Drehung %1°, Buntheit ×%2, L %3</translation>
		</message>
		<message>
			<source>turn -180 to 180, chroma 0 to 3, lightness -0.3 to 0.3</source>
			<translation>Drehung -180 bis 180, Buntheit 0 bis 3, Helligkeit -0,3 bis 0,3</translation>
		</message>
		<message>
			<source>turn °</source>
			<translation>drehen °</translation>
		</message>
		<message>
			<source>two recipes write into one folder; give them subfolders</source>
			<translation>zwei Rezepte schreiben in einen Ordner; geben Sie ihnen Unterordner</translation>
		</message>
		<message>
			<source>two stages of one id</source>
			<translation>zwei Stationen mit einer Kennung</translation>
		</message>
		<message>
			<source>under 0.1 %</source>
			<translation>unter 0,1 %</translation>
		</message>
		<message>
			<source>unexpected number of channels</source>
			<translation>unerwartete Zahl von Kanälen</translation>
		</message>
		<message>
			<source>unknown colour space</source>
			<translation>unbekannter Farbraum</translation>
		</message>
		<message>
			<source>unknown file ending</source>
			<translation>unbekannte Dateiendung</translation>
		</message>
		<message>
			<source>unknown file format</source>
			<translation>unbekanntes Dateiformat</translation>
		</message>
		<message>
			<source>unknown kind of table</source>
			<translation>unbekannte Art von Tabelle</translation>
		</message>
		<message>
			<source>up to %1</source>
			<translation>bis %1</translation>
		</message>
		<message>
			<source>up to step %1, %2</source>
			<translation>bis Schritt %1, %2</translation>
		</message>
		<message>
			<source>uprights lean together by %1°</source>
			<translation>Senkrechte neigen sich um %1° zueinander</translation>
		</message>
		<message>
			<source>use</source>
			<translation>Verwendung</translation>
		</message>
		<message numerus="yes">
			<source>used %n time(s), last in %1</source>
			<translation>
				<numerusform>%n-mal verwendet, zuletzt in %1</numerusform>
				<numerusform>%n-mal verwendet, zuletzt in %1</numerusform>
			</translation>
		</message>
		<message>
			<source>value outside its limits</source>
			<translation>Wert außerhalb seiner Grenzen</translation>
		</message>
		<message>
			<source>values %1 to %2</source>
			<translation>Werte %1 bis %2</translation>
		</message>
		<message>
			<source>values for the set %1, which this job does not have, count for nothing</source>
			<translation>Werte für die Auswahl %1, die dieser Auftrag nicht hat, zählen nicht</translation>
		</message>
		<message>
			<source>values from 0 to 1</source>
			<translation>Werte von 0 bis 1</translation>
		</message>
		<message>
			<source>values in</source>
			<translation>Werte ein</translation>
		</message>
		<message>
			<source>values of single frames</source>
			<translation>Werte einzelner Aufnahmen</translation>
		</message>
		<message>
			<source>waiting</source>
			<translation>offen</translation>
		</message>
		<message>
			<source>warm</source>
			<translation>warm</translation>
		</message>
		<message>
			<source>warm lights, cool darks</source>
			<translation>warme Lichter, kühle Tiefen</translation>
		</message>
		<message>
			<source>warmer</source>
			<translation>wärmer</translation>
		</message>
		<message>
			<source>warmth</source>
			<translation>Wärme</translation>
		</message>
		<message>
			<source>was not copied: another file of that name is there and is left as it is</source>
			<translation>wurde nicht kopiert: eine andere Datei dieses Namens liegt dort und bleibt, wie sie ist</translation>
		</message>
		<message>
			<source>watching %1</source>
			<translation>%1 wird beobachtet</translation>
		</message>
		<message>
			<source>weight</source>
			<translation>Gewicht</translation>
		</message>
		<message>
			<source>what %1 touches, in a colour this picture does not have</source>
			<translation>was %1 berührt, in einer Farbe, die dieses Bild nicht hat</translation>
		</message>
		<message>
			<source>what came back is not seen in what was sent</source>
			<translation>was zurückkam, ist in dem, was hinausging, nicht zu sehen</translation>
		</message>
		<message>
			<source>what each step did</source>
			<translation>was jeder Schritt machte</translation>
		</message>
		<message>
			<source>what is out of focus cannot be brought back</source>
			<translation>was unscharf ist, lässt sich nicht zurückholen</translation>
		</message>
		<message>
			<source>what is to be done</source>
			<translation>was zu tun ist</translation>
		</message>
		<message>
			<source>what it does</source>
			<translation>was es tut</translation>
		</message>
		<message>
			<source>what was copied</source>
			<translation>was kopiert wurde</translation>
		</message>
		<message>
			<source>what was sent out cannot be read</source>
			<translation>was hinausging, lässt sich nicht lesen</translation>
		</message>
		<message>
			<source>what was set by hand</source>
			<translation>dem, was von Hand gesetzt wurde</translation>
		</message>
		<message>
			<source>what was written cannot be read back</source>
			<translation>was geschrieben wurde, lässt sich nicht zurücklesen</translation>
		</message>
		<message>
			<source>what was written reads back as another picture</source>
			<translation>was geschrieben wurde, liest sich als anderes Bild zurück</translation>
		</message>
		<message>
			<source>where</source>
			<translation>wo</translation>
		</message>
		<message>
			<source>where it must not be used</source>
			<translation>wo er nicht verwendet werden darf</translation>
		</message>
		<message>
			<source>where the role lies on this picture it does not change how light falls</source>
			<translation>wo die Rolle auf diesem Bild liegt, ändert sie den Lichtfall nicht</translation>
		</message>
		<message>
			<source>where this step works, in a colour this picture does not have</source>
			<translation>wo dieser Schritt wirkt, in einer Farbe, die dieses Bild nicht hat</translation>
		</message>
		<message>
			<source>white</source>
			<translation>Weiß</translation>
		</message>
		<message>
			<source>white %1 K</source>
			<translation>Weiß %1 K</translation>
		</message>
		<message>
			<source>white end</source>
			<translation>weißes Ende</translation>
		</message>
		<message>
			<source>white first</source>
			<translation>zuerst das Weiß</translation>
		</message>
		<message>
			<source>white lands</source>
			<translation>Weiß landet</translation>
		</message>
		<message>
			<source>white lands at</source>
			<translation>Weiß landet bei</translation>
		</message>
		<message>
			<source>white locked</source>
			<translation>Weiß gesperrt</translation>
		</message>
		<message>
			<source>white: %1 recoverable, %2 partly, %3 lost</source>
			<translation>Weiß: %1 zu retten, %2 teils, %3 verloren</translation>
		</message>
		<message>
			<source>whole</source>
			<translation>ganz</translation>
		</message>
		<message>
			<source>whole frame</source>
			<translation>ganze Aufnahme</translation>
		</message>
		<message>
			<source>width</source>
			<translation>Breite</translation>
		</message>
		<message>
			<source>width °</source>
			<translation>breit °</translation>
		</message>
		<message>
			<source>with %1</source>
			<translation>mit %1</translation>
		</message>
		<message>
			<source>with a reason</source>
			<translation>mit Begründung</translation>
		</message>
		<message>
			<source>with a small table for the rest</source>
			<translation>mit einer kleinen Tabelle für den Rest</translation>
		</message>
		<message>
			<source>with the cure</source>
			<translation>mit der Abhilfe</translation>
		</message>
		<message>
			<source>with the look</source>
			<translation>mit dem Look</translation>
		</message>
		<message>
			<source>within %1 × %2 %3</source>
			<translation>in %1 × %2 %3</translation>
		</message>
		<message>
			<source>within %1 × %2 px</source>
			<translation>in %1 × %2 px</translation>
		</message>
		<message>
			<source>within a box</source>
			<translation>in einem Kasten</translation>
		</message>
		<message>
			<source>within its limit</source>
			<translation>innerhalb der Grenze</translation>
		</message>
		<message>
			<source>without open pins</source>
			<translation>ohne offene Merker</translation>
		</message>
		<message>
			<source>without place and serial numbers</source>
			<translation>ohne Ort und Seriennummern</translation>
		</message>
		<message>
			<source>works on %1</source>
			<translation>wirkt auf %1</translation>
		</message>
		<message>
			<source>works on %1: %2 frames are not marked</source>
			<translation>wirkt auf %1: %2 Aufnahmen sind nicht markiert</translation>
		</message>
		<message>
			<source>written</source>
			<translation>geschrieben</translation>
		</message>
		<message>
			<source>written down</source>
			<translation>vermerkt</translation>
		</message>
		<message>
			<source>wrong value</source>
			<translation>falscher Wert</translation>
		</message>
		<message>
			<source>x and y from 0 to 1</source>
			<translation>x und y von 0 bis 1</translation>
		</message>
		<message>
			<source>yellow</source>
			<translation>Gelb</translation>
		</message>
		<message>
			<source>yellower</source>
			<translation>gelber</translation>
		</message>
		<message>
			<source>yes</source>
			<translation>ja</translation>
		</message>
		<message>
			<source>yours</source>
			<translation>Ihres</translation>
		</message>
		<message>
			<source>{name} or {number} in the pattern</source>
			<translation>{name} oder {number} im Muster</translation>
		</message>
		<message>
			<source>{name}, {number:3}, {light}, {look}, {date}, {recipe}</source>
			<translation>{name}, {number:3}, {light}, {look}, {date}, {recipe}</translation>
		</message>
		<message>
			<source>{number:1} to {number:9}</source>
			<translation>{number:1} bis {number:9}</translation>
		</message>
		<message>
			<source>± chroma</source>
			<translation>± Buntheit</translation>
		</message>
		<message>
			<source>± hue °</source>
			<translation>± Farbton °</translation>
		</message>
		<message>
			<source>± lightness</source>
			<translation>± Helligkeit</translation>
		</message>
		<message>
			<source>ΔE</source>
			<translation>ΔE</translation>
		</message>
		<message>
			<source>ΔE %1</source>
			<translation>ΔE %1</translation>
		</message>
		<message>
			<source>ΔE %1, 95 % %2, largest %3</source>
			<translation>ΔE %1, 95 % %2, größter %3</translation>
		</message>
		<message>
			<source>ΔE %1, below %2</source>
			<translation>ΔE %1, unter %2</translation>
		</message>
		<message>
			<source>ΔE00 %1</source>
			<translation>ΔE00 %1</translation>
		</message>
		<message>
			<source>ΔE00 %1 left</source>
			<translation>ΔE00 %1 blieb</translation>
		</message>
		<message>
			<source>“A curve adds data.”</source>
			<translation>„Eine Kurve fügt Daten hinzu.“</translation>
		</message>
		<message>
			<source>“A table carries any look.”</source>
			<translation>„Eine Tabelle trägt jeden Look.“</translation>
		</message>
		<message>
			<source>“A warmer white warms the skin.”</source>
			<translation>„Ein wärmeres Weiß wärmt die Haut.“</translation>
		</message>
		<message>
			<source>“Contrast leaves brightness alone.”</source>
			<translation>„Kontrast lässt die Helligkeit in Ruhe.“</translation>
		</message>
		<message>
			<source>“Eight bits are enough to work on.”</source>
			<translation>„Acht Bit genügen zum Arbeiten.“</translation>
		</message>
		<message>
			<source>“More chroma is more for all.”</source>
			<translation>„Mehr Buntheit ist mehr für alle.“</translation>
		</message>
		<message>
			<source>“Reserved chroma hits the strongest colours.”</source>
			<translation>„Zurückhaltende Buntheit trifft die kräftigsten Farben.“</translation>
		</message>
		<message>
			<source>“Setting the ends costs nothing.”</source>
			<translation>„Die Enden zu setzen kostet nichts.“</translation>
		</message>
		<message>
			<source>“Sharpening brings back detail.”</source>
			<translation>„Schärfen bringt Einzelheiten zurück.“</translation>
		</message>
		<message>
			<source>“Split toning leaves the middle alone.”</source>
			<translation>„Geteilte Tonung lässt die Mitte in Ruhe.“</translation>
		</message>
		<message>
			<source>“The same curve on every channel keeps colour.”</source>
			<translation>„Dieselbe Kurve auf jedem Kanal erhält die Farbe.“</translation>
		</message>
		<message>
			<source>“The same look gives the same result.”</source>
			<translation>„Derselbe Look gibt dasselbe Ergebnis.“</translation>
		</message>
	</context>
</TS>
