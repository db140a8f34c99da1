package example.lanternfield.boxes

/** One box a farm sells: what it is called, and what it costs in the smallest coin. */
data class Box(val title: String, val price: Int)
