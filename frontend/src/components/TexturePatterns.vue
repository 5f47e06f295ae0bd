<template>
  <!-- Textures of the drawings: hatch = out of reach (lighter), dots = stop being squeezed. -->
  <defs>
    <pattern id="hatch" width="8" height="8" patternUnits="userSpaceOnUse"
      ><path class="txl" d="M-1 1 1-1M-1 9 9-1M7 9 9 7"
    /></pattern>
    <pattern id="dots" width="5" height="5" patternUnits="userSpaceOnUse"
      ><circle class="txd" cx="1.250" cy="1.250" r="1.100" /><circle class="txd" cx="3.750" cy="3.750" r="1.100"
    /></pattern>
  </defs>
</template>
