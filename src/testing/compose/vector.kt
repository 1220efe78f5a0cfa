package androidx.compose.ui.graphics.vector

import androidx.compose.ui.graphics.Brush
import androidx.compose.ui.graphics.PathFillType
import androidx.compose.ui.graphics.StrokeCap
import androidx.compose.ui.graphics.StrokeJoin
import androidx.compose.ui.unit.Dp

class PathNode

fun addPathNodes(pathStr: String?): List<PathNode> = emptyList()

class ImageVector private constructor() {
    class Builder(
        val name: String = "",
        val defaultWidth: Dp,
        val defaultHeight: Dp,
        val viewportWidth: Float,
        val viewportHeight: Float,
        val autoMirror: Boolean = false
    ) {
        fun addPath(
            pathData: List<PathNode>,
            pathFillType: PathFillType = PathFillType.NonZero,
            name: String = "",
            fill: Brush? = null,
            fillAlpha: Float = 1f,
            stroke: Brush? = null,
            strokeAlpha: Float = 1f,
            strokeLineWidth: Float = 0f,
            strokeLineCap: StrokeCap = StrokeCap.Butt,
            strokeLineJoin: StrokeJoin = StrokeJoin.Miter,
            strokeLineMiter: Float = 4f
        ): Builder = this

        fun build(): ImageVector = ImageVector()
    }
}
