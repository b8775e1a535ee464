// Before the first paint, so that the lamp-light theme does not flash.
(function () {
  var kept = localStorage.getItem("lowfell.theme");
  var dim = kept ? kept === "lamp" : window.matchMedia("(prefers-color-scheme: dark)").matches;
  document.documentElement.dataset.theme = dim ? "lamp" : "day";
})();
