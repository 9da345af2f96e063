<?xml version="1.0" encoding="UTF-8"?>
<?xm <ColorDecisionList ?>
<ColorCorrection id="s"><SatNode><Saturation>0.5</Saturation></SatNode></ColorCorrection>
