<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** When something of a drive is to be renewed. */
enum Wear: string
{
    case Now = 'now';
    case Soon = 'soon';
    case Sound = 'sound';

    public function worse(self $other): self
    {
        $order = [self::Sound, self::Soon, self::Now];

        return array_search($other, $order, true) > array_search($this, $order, true) ? $other : $this;
    }
}
