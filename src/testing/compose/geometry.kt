package androidx.compose.ui.geometry

class Offset(val x: Float, val y: Float)
