<!-- A question before something is recorded; the same press again, deliberately, answers it. -->
<template>
  <p role="alert"><slot /></p>
</template>

<style scoped>
p {
  margin: 0;
  padding: 10px 14px;
  background: var(--decide-tint);
  border: 1px solid var(--decide-edge);
  border-radius: 6px;
  font-weight: 650;
}
</style>
