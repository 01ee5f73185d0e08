<?php

declare(strict_types=1);

namespace App\Studio\Account;

/** What a script with a token may do. Who one is, passwords and other tokens are never within its reach. */
enum TokenAbility: string
{
    /** Read all of the studio, and have things computed that change nothing. */
    case Read = 'read';

    /** Change pieces: photos, zones, plans, drawings. */
    case Pieces = 'pieces';

    /** Change what is beside them: pencils, papers, swatches, recipes, ways of working. */
    case Box = 'box';
}
