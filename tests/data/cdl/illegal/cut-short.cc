<?xml version="1.0" encoding="UTF-8"?>
<ColorCorrection id="warm">
<SOPNode>
<Slope>1.1 1 0.9</Slope>
<Offset>0.01 0 -0.02</Offset>
<Power>1 1.05 0.95</Power>
</SOPNode>
<SatNode>
<Saturation>0.9</Sa