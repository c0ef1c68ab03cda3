<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sealing;

/** Why a way does not suit a face, or suits it only with care. */
enum FaceFit
{
    case Suits;
    case GapTooWide;
    case GapWide;
    case NoGroove;
    case NotRigid;
    case InFuel;
    case BeadTooThick;
    case NothingToReuse;
    case ReusedInFuel;
    case HeightIsLost;
    case HeightIsAdded;

    public function isStop(): bool
    {
        return !in_array($this, [self::Suits, self::GapWide, self::HeightIsLost, self::HeightIsAdded], true);
    }
}
