<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

enum WorkKind: string
{
    case Calibration = 'calibration';
    case Audit = 'audit';
    case Filling = 'filling';
    case SearchAgain = 'search-again';
    case Look = 'look';
    case Planning = 'planning';
    case Balance = 'balance';
    case Reserves = 'reserves';
    case DemoPiece = 'demo-piece';
    case Photo = 'photo';
    case Reading = 'reading';
    case Review = 'review';
    case SimulatedDrawing = 'simulated-drawing';
    case Archive = 'archive';
    case Restore = 'restore';

    /** Asked for with a file. */
    public const UPLOADS = [self::Photo, self::Reading];

    /** Whether its wish names a piece. */
    public function isAboutPiece(): bool
    {
        return in_array($this, [self::Look, self::Planning, self::Balance, self::Reserves, self::Review, self::SimulatedDrawing], true);
    }

    /** Whether it changes what is no piece: swatches, calibrations, the box. */
    public function isAboutBox(): bool
    {
        return in_array($this, [self::Calibration, self::Filling, self::Reading, self::Restore], true);
    }

    /** Whether each wish is another work. Of all others one is open at a time, of those about a piece one for each piece. */
    public function isOneOfMany(): bool
    {
        return in_array($this, self::UPLOADS, true);
    }

    public function queue(): WorkQueue
    {
        return in_array($this, [self::Calibration, self::Audit, self::Archive], true) ? WorkQueue::Later : WorkQueue::Soon;
    }

    /** @return class-string<LongWork> */
    public function worker(): string
    {
        return match ($this) {
            self::Calibration => CalibrationWork::class,
            self::Audit => AuditWork::class,
            self::Filling => FillingWork::class,
            self::SearchAgain => SearchAgainWork::class,
            self::Look => LookWork::class,
            self::Planning => PlanningWork::class,
            self::Balance => BalanceWork::class,
            self::Reserves => ReservesWork::class,
            self::DemoPiece => DemoPieceWork::class,
            self::Photo => PhotoWork::class,
            self::Reading => ReadingWork::class,
            self::Review => ReviewWork::class,
            self::SimulatedDrawing => SimulatedDrawingWork::class,
            self::Archive => ArchiveWork::class,
            self::Restore => RestoreWork::class,
        };
    }
}
