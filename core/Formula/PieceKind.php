<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

enum PieceKind
{
    case Number;
    case Name;
    case Operator;
    case Function;
    case Open;
    case Close;
    case Comma;
}
