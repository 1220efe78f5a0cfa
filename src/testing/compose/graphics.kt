// What delivered sources call, declared as the library for Android declares it, so that a compiler can check the calls.
package androidx.compose.ui.graphics

import androidx.compose.ui.geometry.Offset

class Color(val value: Long)

abstract class Brush {
    companion object {
        fun linearGradient(vararg colorStops: Pair<Float, Color>, start: Offset, end: Offset): Brush = SolidColor(Color(0))
        fun radialGradient(vararg colorStops: Pair<Float, Color>, center: Offset, radius: Float): Brush = SolidColor(Color(0))
    }
}

class SolidColor(val value: Color) : Brush()

class StrokeCap private constructor() {
    companion object { val Butt = StrokeCap(); val Round = StrokeCap(); val Square = StrokeCap() }
}

class StrokeJoin private constructor() {
    companion object { val Miter = StrokeJoin(); val Round = StrokeJoin(); val Bevel = StrokeJoin() }
}

class PathFillType private constructor() {
    companion object { val NonZero = PathFillType(); val EvenOdd = PathFillType() }
}
