class P{static void Main(){}}
