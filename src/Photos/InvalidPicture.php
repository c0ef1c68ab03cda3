<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

/** What was sent is no picture we keep; the message says what would be. */
final class InvalidPicture extends \RuntimeException
{
}
